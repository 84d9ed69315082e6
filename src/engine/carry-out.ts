import type { AnyDifference, AnyItem, Inventory } from '../core/areas/index.js'
import { UnpackError } from '../core/errors.js'
import { allFound } from '../core/inventory.js'
import type { Carried, Carrier, Step } from '../systems/step.js'
import type { Session, SignedIn } from '../systems/session.js'
import type { JournalLine } from '../core/report/report.js'
import { grouped } from '../core/grouped.js'
import { foundIn, wantedIn } from './report-of.js'
import { carry, refsOf } from './carrying/carry.js'
import type { Held } from './carrying/pending.js'
import { ConcurrentEdits, proved } from './changed-meanwhile.js'
import { keepCopies } from './copies.js'
import type { Known } from './carrying/fill.js'
import { owe, pay } from './debts.js'
import { answerMail } from './mail.js'
import { accountSecrets } from './account-secrets.js'
import { intentsOf } from './arrived.js'
import { keepOwner, ownerSecret, serverSecret } from './owner-login.js'
import type { RunRecord } from './keeping.js'
import type { Run } from './run.js'
import { translate } from './translate.js'
import { UnitsAgain, unitsWritten } from './units-again.js'
import type { Agenda } from './settling/agenda.js'
import type { Why } from './why.js'

/** What refs are known by on the site; an item that is renamed goes by its new ref as well. */
function knownIn(inventory: Inventory, differences: readonly AnyDifference[]): Known {
  // of several that go by one name, the first counts
  const found = allFound(inventory).toReversed()
  const known: Known = {
    ids: new Map(found.map(({ ref, id }) => [ref, id])),
    addresses: new Map(found.flatMap(({ ref, address }) => (address === undefined ? [] : [[ref, address]]))),
  }
  for (const difference of differences)
    if (difference.is === 'different') known.ids.set(difference.ref, difference.found.id)
  return known
}

export interface Books {
  record: RunRecord
  /** What was on the site before. */
  inventory: Inventory
  /** Why something could not be settled, and what copy of it is kept, is noted here. */
  agenda: Agenda
}

/** Translates differences, keeps copies, and carries the steps out, every one journalled before and after. */
export async function carryOut(
  run: Run,
  session: Session,
  agreed: readonly AnyDifference[],
  { record, inventory, agenda }: Books,
  firstRun = false,
): Promise<void> {
  const differences = await keepCopies(session, agreed, record, agenda)
  const steps = translate(run, differences, inventory, firstRun)
  const secret = await ownerSecret(run, differences)
  const server = await serverSecret(run, differences)
  const fallingWith = grouped(
    differences.flatMap((one) =>
      one.is === 'left over' && one.fallsWith !== undefined ? [[one.fallsWith, one] as const] : [],
    ),
  )
  run.account.tell({ is: 'to do', refs: refsOf(steps).length })
  const edits = new ConcurrentEdits(run, session as SignedIn, {
    inventory,
    own: new Set(differences.map(({ ref }) => ref)),
    falling: fallingWith,
  })
  const units = new UnitsAgain(
    ...([run, session as SignedIn, inventory] as const),
    differences.flatMap((one) => (one.is === 'different' ? [{ area: one.area, wanted: one.wanted as AnyItem }] : [])),
    (step) => step.more.proves.flatMap(unitsWritten),
  )
  const changedMeanwhile = new Set<Step>()
  let failedWrites = 0
  const held = await carry(steps, {
    session,
    known: knownIn(inventory, differences),
    secrets: {
      ...(secret && { owner: secret }),
      ...(server && { server }),
      ...(await accountSecrets(run, differences)),
    },
    ...(!firstRun && {
      refuses: async (load) => {
        const changed = new Map([...(await edits.refuses(load)), ...(await units.refuses(load))])
        for (const step of changed.keys()) changedMeanwhile.add(step)
        return changed
      },
    }),
    async before(carrier, load) {
      for (const { more } of load) if (more.owes !== undefined) await owe(run, record, more.owes)
      run.account.tell({ is: 'sent', carrier: carrier.name, refs: refsOf(load) })
      failedWrites = run.account.traffic.failedWrites
      const carried = proved(load)
      await run.state.intend(intentsOf(carried))
      const falling = carried.flatMap(({ ref }) => fallingWith.get(ref) ?? [])
      for (const difference of [...carried, ...falling]) {
        record.journal({
          event: 'begun',
          carrier: carrier.name,
          ref: difference.ref,
          is: difference.is,
          was: foundIn(difference) as JournalLine['was'],
          wanted: wantedIn(difference) as JournalLine['wanted'],
          ...(firstRun && { expected: true }),
          ...(agenda.copyOf(difference.ref) !== undefined && { copy: agenda.copyOf(difference.ref) }),
        })
      }
    },
    answerMail: (to, since) => answerMail(run, to, since),
    strange(error) {
      if (error.page !== undefined) record.keepPage('unexpected', error.page)
    },
    async after(carrier, load, outcomes) {
      run.account.tell({
        is: 'carried',
        carrier: carrier.name,
        refs: refsOf(load),
        refused: refsOf(load.filter((_, index) => outcomes[index]?.refused !== undefined)),
      })
      load.forEach((step, index) => {
        settled(step, outcomes[index] ?? { refused: 'no answer' }, carrier)
      })
      await run.state.make(madeBy(load, outcomes))
      // a server that failed may have made it all the same
      if (run.account.traffic.failedWrites === failedWrites) await run.state.dropIntents(refusedNew(load, outcomes))
      for (const [index, { more }] of load.entries())
        if (more.pays !== undefined && outcomes[index]?.refused === undefined) await pay(run, record, more.pays)
    },
  })
  for (const [step, ref] of held)
    for (const { ref: own } of step.more.proves)
      // a refusal of another step for the same item says more
      agenda.fail(own, heldBy(ref))
  await keepOwner(
    run,
    differences.filter(({ ref }) => agenda.whyOf(ref) === undefined),
  )

  function settled(step: Step, outcome: Carried, carrier: Carrier<unknown>): void {
    for (const { ref } of step.more.proves) {
      if (outcome.refused === undefined) {
        agenda.took(ref)
        record.journal({
          event: 'done',
          carrier: carrier.name,
          ref,
          ...(outcome.id !== undefined && { id: outcome.id }),
        })
      } else {
        record.journal({ event: 'refused', carrier: carrier.name, ref, why: outcome.refused })
        agenda.refuse(
          ref,
          changedMeanwhile.has(step)
            ? { code: 'changed-meanwhile', text: outcome.refused }
            : {
                code: 'refused-by-site',
                text: UnpackError.of('refused-by-site', { code: outcome.refused }).message,
              },
        )
      }
    }
  }
}

/** What a step waits for that will not come: something that was refused, or that nothing makes at all. */
export function heldBy(held: Held): Why {
  if ('never' in held)
    return { code: 'nothing-readies', text: UnpackError.of('nothing-readies', { what: held.never }).message }
  return {
    code: 'waits-for',
    text: UnpackError.of('waits-for', { ref: held.lost.replace(/^own\.([^/]+)\/.*/, '$1') }).message,
  }
}

/** What steps have made, by the numbers that the site has told. */
const madeBy = (load: readonly Step[], outcomes: readonly Carried[]): { area: string; id: string; ref: string }[] =>
  load.flatMap(({ more }, index) => {
    const [difference] = more.proves
    const known = difference?.is === 'different' ? difference.found.id : outcomes[index]?.id
    const id = outcomes[index]?.refused === undefined ? known : undefined
    return id === undefined ||
      difference === undefined ||
      difference.is === 'left over' ||
      more.gives !== difference.ref
      ? []
      : [{ area: difference.area, id: String(id), ref: difference.ref }]
  })

/** Refs of new items that the site refused to make. One that waits for a mail to be answered was made. */
const refusedNew = (load: readonly Step[], outcomes: readonly Carried[]): string[] =>
  load.flatMap(({ more }, index) => {
    const { refused, mail } = outcomes[index] ?? {}
    const isRefused = refused !== undefined && mail === undefined
    return isRefused && more.gives !== undefined && more.proves.some(({ is }) => is === 'missing') ? [more.gives] : []
  })

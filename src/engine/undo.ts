import { areaOf } from '../core/areas/index.js'
import type { Baseline } from '../core/baseline/schema.js'
import { allFound } from '../core/inventory.js'
import type { JournalLine } from '../core/report/report.js'
import type { Secret } from '../core/secret.js'
import type { Step } from '../systems/step.js'
import type { Value } from '../core/area.js'
import { call } from './call.js'
import { carry } from './carrying/carry.js'
import { ConcurrentEdits } from './changed-meanwhile.js'
import { heldBy } from './carry-out.js'
import { keepingPages } from './unexpected-page.js'
import type { RunOptions } from './options.js'
import type { Unit } from '../core/comparing/units.js'
import { copiesIn, readJournal, type Copy } from './record-reading.js'
import { Run } from './run.js'
import { areaIn } from '../core/ref.js'
import { areaNamed, wayBack, type Overwritten } from './way-back.js'
import { takeStock } from './stock.js'
import { countsOtherwise, unitsAfter, UnitsAgain, unitsOfItem } from './units-again.js'
import { refuseRecordOfAnother, sayWhose } from './whose-record.js'

export { readJournal } from './record-reading.js'

/** What was given back, and what could not be. */
export interface Undone {
  /** Refs that were made again, or brought back to what they were. */
  again: string[]
  /** Refs that could not be, and why. */
  failed: { ref: string; why: string }[]
  record: string
}

/**
 * Makes removed items again from the copies in a record, under their old slugs and dates, and gives what was written over back.
 * @param folder the record of the run that removed them
 * @param refs which of them; all where left out
 * @returns what was given back, and of everything else why not
 * @throws UnpackError `record-broken`, `record-of-another-site`, and whatever keeps a run from the site
 * @example await undo(baseline, 'unpack-record/127.0.0.1_4101/2026-11-25T101500Z', { logins, refs: ['posts/hello-world'] })
 */
export const undo = (
  baseline: Baseline,
  folder: string,
  options: RunOptions & { refs?: readonly string[] },
): Promise<Undone> =>
  call(async (guard) => {
    // a record that can't be read is reported before signing in
    copiesIn(folder)
    const run = await Run.begin(baseline, options, guard)
    try {
      await run.lock()
      return await giveBack(run, folder, options.refs)
    } finally {
      await run.end()
    }
  })

async function giveBack(run: Run, folder: string, refs: readonly string[] | undefined): Promise<Undone> {
  const copies = copiesIn(folder)
  const session = await run.logins.signIn()
  const { inventory } = await keepingPages(run, () => takeStock(run, session))
  refuseRecordOfAnother(run, folder)
  const record = run.record(new Date())
  record.journal({ event: 'opened' })
  sayWhose(run, record, inventory)
  const failed: Undone['failed'] = (refs ?? [])
    .filter((ref) => !copies.some((copy) => copy.ref === ref))
    .map((ref) => ({ ref, why: 'the record holds no copy of it' }))
  const secrets: { [ref: string]: Secret } = {}
  const steps = new Map<Step, string>()
  const overwritten = new Map<string, Overwritten>()
  const known = new Set([...allFound(inventory), ...copies].map(({ ref }) => ref))
  const unitsThen = unitsAfter(readJournal(folder))
  const counted = new Map<string, Unit[]>()
  for (const own of copies.filter(({ ref }) => refs?.includes(ref) ?? true)) {
    const copy = { ...own, item: linkedTo(known, own) }
    counted.set(copy.ref, unitsOfItem(copy.ref, copy.item))
    const way = countsOtherwise(copy, unitsThen, inventory) ?? (await wayBack(run, copy, inventory, secrets))
    if (typeof way === 'string') failed.push({ ref: copy.ref, why: way })
    else for (const step of way.steps) steps.set(step, copy.ref)
    if (typeof way !== 'string' && way.over) overwritten.set(copy.ref, way.over)
  }
  const lost = new Map<string, string>()
  const kept = new Map<string, string>()
  const refsOf = (load: readonly Step[]) => [...new Set(load.map((step) => steps.get(step) ?? ''))]
  const edits = new ConcurrentEdits(run, session, { inventory, own: new Set(steps.values()), checksMissing: true })
  const units = new UnitsAgain(
    ...([run, session, inventory] as const),
    [...overwritten].map(([ref, { wanted }]) => ({ area: areaIn(ref), wanted })),
    (step) => counted.get(steps.get(step) ?? '') ?? [],
  )
  const held = await carry([...steps.keys()], {
    session,
    known: {
      ids: new Map(allFound(inventory).map(({ ref, id }) => [ref, id])),
      addresses: new Map(
        allFound(inventory).flatMap(({ ref, address }) => (address === undefined ? [] : [[ref, address]])),
      ),
    },
    secrets,
    refuses: async (load) => new Map([...(await edits.refuses(load)), ...(await units.refuses(load))]),
    before: (carrier, load) => {
      run.account.tell({ is: 'sent', carrier: carrier.name, refs: refsOf(load) })
      for (const ref of refsOf(load)) {
        const over = overwritten.get(ref)
        // what is written over here can be given back as well
        const copy = over && (kept.get(ref) ?? record.keepCopy(ref, over.found))
        if (copy !== undefined) kept.set(ref, copy)
        record.journal({
          ...{ event: 'begun', carrier: carrier.name, ref, is: over ? 'different' : 'missing' },
          ...(over && { was: over.was as JournalLine['was'], wanted: over.wanted as JournalLine['wanted'], copy }),
        })
      }
    },
    after: (carrier, load, outcomes) => {
      for (const [index, step] of load.entries()) {
        const ref = steps.get(step) ?? ''
        const why = outcomes[index]?.refused
        record.journal({ event: why === undefined ? 'done' : 'refused', carrier: carrier.name, ref, why })
        if (why !== undefined) lost.set(ref, why)
      }
    },
  })
  for (const [step, why] of held) lost.set(steps.get(step) ?? '', heldBy(why).text)
  const again = [...new Set(steps.values())].filter((ref) => !lost.has(ref))
  await session.signOut().catch(() => undefined)
  record.journal({ event: 'closed', ok: failed.length + lost.size === 0 })
  run.account.endLog()
  return { again, failed: [...failed, ...[...lost].map(([ref, why]) => ({ ref, why }))], record: record.folder }
}

/** What it was linked to and is nowhere any more, under another name perhaps, is left out. */
function linkedTo(known: ReadonlySet<string>, { ref, item }: Copy): Copy['item'] {
  const name = areaNamed(ref)
  const { links = [], within } = name ? areaOf(name) : {}
  const there = (to: unknown): boolean => typeof to !== 'string' || known.has(to)
  const changed = links
    .filter((key) => key !== within && item[key] !== undefined)
    .map((key) => {
      const to = item[key]
      return [key, Array.isArray(to) ? (to as readonly Value[]).filter(there) : there(to) ? to : ''] as const
    })
  return { ...item, ...Object.fromEntries(changed) }
}

import { anyItem, areaOf, type AnyDifference, type Inventory } from '../../core/areas/index.js'
import type { Comparison } from '../../core/compare.js'
import { UnpackError } from '../../core/errors.js'
import { foundAt } from '../../core/inventory.js'
import { bodyDigest } from '../../core/text/normal-form.js'
import type { SignedIn } from '../../systems/session.js'
import { NoAnswer } from '../../web/failure.js'
import { itemDigest } from '../../core/text/digest.js'
import { sampleRefs } from '../../core/samples.js'
import { carryOut } from '../carry-out.js'
import { payDebts } from '../debts.js'
import type { RunRecord } from '../keeping.js'
import type { Run } from '../run.js'
import { ownedNow, stoodOnce } from '../ownership.js'
import { isStillOpen, sameIn } from './same.js'
import { keepCopies } from '../copies.js'
import { takeStock, type Stock } from '../stock.js'
import { againstPlan } from '../against-plan.js'
import { abilitiesOf } from '../../systems/abilities.js'

export interface ReadBack {
  /** The comparison after everything that was chosen was carried out. */
  left: Comparison
  /** What stands there then. */
  stands: Inventory
  /** Everything that was carried out: what was chosen, and what only showed on the way. */
  chosen: readonly AnyDifference[]
  /** Why a ref could not be settled. */
  why: Map<string, { code: string; text: string }>
  /** Copies of what was removed or taken over, by ref. */
  copies: Map<string, string>
}

/** Carrying out, reading again: as often as one area changes what is possible in the next, and once more after a lost answer. */
const MOST_PASSES = 5

/**
 * Carries out what was chosen, and reads the site again. What follows an area that changes waits until that one is
 * settled and read. After a lost answer the site is read first, then gone on with, once.
 * @param ask asks about what was not shown before
 */
export async function settleAndReadBack(
  run: Run,
  session: SignedIn,
  agreed: readonly AnyDifference[],
  stock: Stock,
  record: RunRecord,
  ask: (comparison: Comparison, late: readonly AnyDifference[]) => Promise<readonly AnyDifference[]>,
): Promise<ReadBack> {
  const books = { why: new Map(), copies: new Map() } as Pick<ReadBack, 'why' | 'copies'>
  const shown = againstPlan(run, stock).differences
  // before anything goes: what is read later may lack what it led to
  const going = await keepCopies(session, agreed, record, books.why, books.copies)
  let chosen = agreed
  let open: readonly AnyDifference[] = going
  let before = stock
  let wasLost = false
  let left: Comparison | undefined
  for (let pass = 1; ; pass += 1) {
    const [now, later] = withWhatFollows(open)
    holdBack(
      now,
      books.why,
      left?.differences.find((one) => sameIn(chosen, one) && !sameIn(open, one)),
    )
    const lost = await carryAll(run, session, now, before.inventory, record, books)
    if (lost && wasLost) throw UnpackError.of('lost-answer', { url: lost.url, finding: lost.failure.text })
    wasLost ||= lost !== undefined
    await rememberUnseen(run, before.inventory, now, books.why)
    const after = now.length > 0 ? await takeStock(run, session) : before
    const seen = againstPlan(run, after)
    left = seen
    await remember(run, after.inventory, chosen, seen)
    await run.state.own(
      ownedNow(
        after.inventory,
        now.filter(({ ref }) => !books.why.has(ref)),
      ),
    )
    for (const difference of now) {
      const { ref, is } = difference
      record.journal({ event: 'read back', ref, is, ok: !isStillOpen(difference, seen, after.inventory) })
    }
    before = after
    const changed = new Set<string>(now.map(({ area }) => area))
    const late = seen.differences.filter(
      (difference) =>
        areaOf(difference.area).follows?.some((area) => changed.has(area)) &&
        ![shown, chosen].some((known) => sameIn(known, difference)) &&
        !books.why.has(difference.ref),
    )
    if (late.length > 0) chosen = [...chosen, ...(await ask(seen, late))]
    const waiting = lost ? chosen : [...later, ...chosen.filter((difference) => late.includes(difference))]
    open = seen.differences.filter((difference) => sameIn(waiting, difference) && !books.why.has(difference.ref))
    if (open.length === 0 || pass === MOST_PASSES) {
      await payDebts(run, session, record)
      await run.state.own(stoodOnce(after.inventory, seen))
      return { left: againstPlan(run, after), stands: after.inventory, chosen, ...books }
    }
  }
}

/**
 * What comes last does not come at all where something before it failed.
 * @param left something that was carried out and still differs, if there is such
 */
function holdBack(now: AnyDifference[], why: ReadBack['why'], left?: AnyDifference): void {
  const [refused] = why.keys()
  const failed = refused ?? left?.ref
  if (failed === undefined) return
  for (const one of now.filter(({ area }) => areaOf(area).last)) {
    now.splice(now.indexOf(one), 1)
    why.set(one.ref, { code: 'waits-for', text: UnpackError.of('waits-for', { ref: failed }).message })
  }
}

/** Parts differences: those that can go now, and those of areas that follow one among them. */
function withWhatFollows(open: readonly AnyDifference[]): [AnyDifference[], AnyDifference[]] {
  const areas = new Set<string>(open.map(({ area }) => area))
  const waits = ({ area }: AnyDifference) => {
    const { follows, last } = areaOf(area)
    return last ? [...areas].some((other) => other !== area) : (follows?.some((other) => areas.has(other)) ?? false)
  }
  return [open.filter((difference) => !waits(difference)), open.filter(waits)]
}

/** What was sent and can't be read back counts as settled as long as the plan says the same. */
async function rememberUnseen(
  run: Run,
  inventory: Inventory,
  carried: readonly AnyDifference[],
  why: ReadonlyMap<string, unknown>,
): Promise<void> {
  const can = abilitiesOf(run.site.system, run.baseline, inventory)
  const sent = carried.flatMap((difference): [string, string][] => {
    if (difference.is === 'left over' || why.has(difference.ref)) return []
    const keys: readonly string[] = difference.is === 'different' ? difference.fields : Object.keys(difference.wanted)
    return keys
      .filter((key) => can(difference.area, key) === 'unseen')
      .map((key) => [`${difference.ref}#${key}`, itemDigest(anyItem(difference.wanted)[key])])
  })
  if (sent.length > 0) await run.state.remember(Object.fromEntries(sent))
}

/** Carries out what is open; gives the answer that was lost, if one was. */
async function carryAll(
  run: Run,
  session: SignedIn,
  open: readonly AnyDifference[],
  before: Inventory,
  record: RunRecord,
  books: Pick<ReadBack, 'why' | 'copies'>,
): Promise<NoAnswer | undefined> {
  if (open.length === 0) return undefined
  run.phase('settle')
  try {
    await carryOut(run, session, open, { record, inventory: before, ...books })
    return undefined
  } catch (error) {
    if (!(error instanceof NoAnswer)) throw error
    record.journal({ event: 'lost', why: error.failure.text })
    session.shelf.forget()
    return error
  } finally {
    run.phase('read back')
  }
}

/** The texts that stand there as we wrote them are ours to replace when the baseline changes. */
async function remember(
  run: Run,
  inventory: Inventory,
  chosen: readonly AnyDifference[],
  left: Comparison,
): Promise<void> {
  const digests: { [ref: string]: string } = {}
  const samples: { [ref: string]: string } = {}
  const ofSample = sampleRefs(run.baseline)
  for (const difference of chosen) {
    const { ref, is } = difference
    if (is === 'left over' || sameIn(left.differences, difference) || left.kept.some((kept) => kept.ref === ref))
      continue
    const item = foundAt(inventory, ref)?.item as { body?: string } | undefined
    if (item?.body !== undefined) digests[ref] = bodyDigest(item.body)
    if (item && is === 'missing' && ofSample.has(ref)) samples[ref] = itemDigest(item)
  }
  if (Object.keys({ ...digests, ...samples }).length > 0) await run.state.remember(digests, samples)
}

import { anyItem, areaOf, type AnyDifference, type Inventory } from '../../core/areas/index.js'
import type { Comparison } from '../../core/compare.js'
import { UnpackError } from '../../core/errors.js'
import { foundAt } from '../../core/inventory.js'
import { markOf, type LeftBehind } from '../../core/comparing/left.js'
import { areaIn } from '../../core/ref.js'
import type { SignedIn } from '../../systems/session.js'
import { NoAnswer } from '../../web/failure.js'
import { itemDigest } from '../../core/text/digest.js'
import { sampleRefs } from '../../core/samples.js'
import { abilitiesOf } from '../../systems/abilities.js'
import type { Work } from '../work.js'
import { carryOut, type Books } from '../carry-out.js'
import { payDebts } from '../debts.js'
import type { Run } from '../run.js'
import { REMOVED, stoodAt, under } from '../stood.js'
import { keyOf as ownKeyOf, leftAsPlanned, leftBySending, ownedNow, stoodOnce } from '../ownership.js'
import { keepCopies } from '../copies.js'
import { takeStock, type Stock } from '../stock.js'
import { againstPlan } from '../against-plan.js'
import { nowAndLater, type Agenda } from './agenda.js'
import { isStillOpen, sameIn } from './same.js'

/** Carrying out, reading again: as often as one area changes what is possible in the next, and once more after a lost answer. */
const MOST_PASSES = 5

/**
 * Carries out what is to do, and reads the site again. What follows an area that changes waits until that one is settled and
 * read. After a lost answer the site is read first, then gone on with, once.
 * @param ask asks about what was not shown before
 */
export async function settleAndReadBack(
  work: Work,
  agenda: Agenda,
  stock: Stock,
  ask: (comparison: Comparison, late: readonly AnyDifference[]) => Promise<readonly AnyDifference[]>,
): Promise<void> {
  const { run, session, record } = work
  // someone who changes it during this run has changed what was as planned
  await rememberAsPlanned(run, agenda)
  // before anything goes: what is read later may lack what it led to
  await keepCopies(session, agenda.toDo(), record, agenda)
  let here = stock
  let wasLost = false
  for (let pass = 1; ; pass += 1) {
    const now = sendable(agenda)
    const lost = await carryAll(run, session, now, { record, inventory: here.inventory, agenda })
    if (lost && wasLost) throw UnpackError.of('lost-answer', { url: lost.url, finding: lost.failure.text })
    wasLost ||= lost !== undefined
    agenda.sent(now)
    await rememberUnseen(run, here.inventory, now, agenda)
    if (now.length > 0) here = await takeStock(run, session)
    // before comparing: what was just sent must not count as someone's change
    const taken = now.filter(({ ref }) => agenda.wasTaken(ref))
    await run.state.leave(leftBySending(here.inventory, taken))
    agenda.read(againstPlan(run, here), here.inventory)
    await rememberAll(run, agenda, now)
    for (const difference of now) {
      const ok = !isStillOpen(difference, agenda.left, agenda.stands)
      record.journal({ event: 'read back', ref: difference.ref, is: difference.is, ok })
    }
    const late = lateIn(agenda, now)
    if (late.length > 0) agenda.addLate(late, await ask(agenda.left, late))
    if (lost) agenda.lost()
    if (agenda.toDo().length === 0 || pass === MOST_PASSES) break
  }
  await payDebts(work)
  await run.state.own(stoodOnce(agenda.stands, agenda.left))
  agenda.read(againstPlan(run, here), here.inventory)
}

/** What can go now; what comes last does not come at all where something before it failed. */
function sendable(agenda: Agenda): AnyDifference[] {
  const { now } = nowAndLater(agenda.toDo())
  const { stuck } = agenda
  if (stuck === undefined) return now
  const last = now.filter(({ area }) => areaOf(area).last)
  for (const { ref } of last)
    agenda.fail(ref, { code: 'waits-for', text: UnpackError.of('waits-for', { ref: stuck }).message })
  return now.filter((one) => !last.includes(one))
}

/** What only shows now, since something that it follows was settled. */
function lateIn(agenda: Agenda, now: readonly AnyDifference[]): AnyDifference[] {
  const changed = new Set<string>(now.map(({ area }) => area))
  return agenda.left.differences.filter(
    (difference) =>
      areaOf(difference.area).follows?.some((area) => changed.has(area)) &&
      !agenda.knows(difference) &&
      agenda.whyOf(difference.ref) === undefined,
  )
}

/** What was sent and can't be read back counts as settled as long as the plan says the same. */
async function rememberUnseen(
  run: Run,
  inventory: Inventory,
  carried: readonly AnyDifference[],
  agenda: Agenda,
): Promise<void> {
  const can = abilitiesOf(run.site.system, run.baseline, inventory)
  const sent = carried.flatMap((difference): [string, LeftBehind][] => {
    if (difference.is === 'left over' || agenda.whyOf(difference.ref)) return []
    const changed: readonly string[] =
      difference.is === 'different' ? difference.fields : Object.keys(difference.wanted)
    const keys = changed
      .filter((key) => can(difference.area, key) === 'unseen')
      .map((key) => [key, markOf(areaOf(difference.area), key, anyItem(difference.wanted)[key])])
    return keys.length === 0 ? [] : [[difference.ref, Object.fromEntries(keys)]]
  })
  await run.state.leave(Object.fromEntries(sent))
}

/** Carries out what is open; gives the answer that was lost, if one was. */
async function carryAll(
  run: Run,
  session: SignedIn,
  open: readonly AnyDifference[],
  books: Books,
): Promise<NoAnswer | undefined> {
  if (open.length === 0) return undefined
  run.phase('settle')
  try {
    await carryOut(run, session, open, books)
    return undefined
  } catch (error) {
    if (!(error instanceof NoAnswer)) throw error
    books.record.journal({ event: 'lost', why: error.failure.text })
    session.shelf.forget()
    return error
  } finally {
    run.phase('read back')
  }
}

/** What stands there as we wrote it is ours from now on: it is ours to replace when the baseline changes. */
async function rememberAll(run: Run, agenda: Agenda, now: readonly AnyDifference[]): Promise<void> {
  const digests: { [ref: string]: string } = {}
  const samples: { [ref: string]: string } = {}
  const ofSample = sampleRefs(run.baseline)
  const { left, stands } = agenda
  const { state } = run
  for (const difference of agenda.chosen) {
    const { ref, is } = difference
    if (sameIn(left.differences, difference)) continue
    if (is === 'left over') {
      if (state.written(stoodAt(ref)) !== undefined) digests[stoodAt(ref)] = REMOVED
      continue
    }
    const item = foundAt(stands, ref)?.item
    const area = areaOf(difference.area)
    if (!item || area.list === 'one') continue
    digests[stoodAt(ref)] =
      is === 'missing' ? under(area.madeUnder?.(run.baseline)) : (state.written(stoodAt(ref)) ?? under())
    if (is === 'missing' && ofSample.has(ref)) samples[ref] = itemDigest(item)
  }
  if (Object.keys({ ...digests, ...samples }).length > 0) await state.remember(digests, samples)
  await state.own(
    ownedNow(
      stands,
      now.filter(({ ref }) => agenda.wasTaken(ref)),
    ),
  )
  await rememberAsPlanned(run, agenda)
}

/** What is as planned in settings and in items of ours: whoever changes it from now on has changed it. */
const rememberAsPlanned = ({ state }: Run, { left, stands }: Agenda): Promise<void> =>
  state.leave(leftAsPlanned(stands, left, (found) => state.isOurs(areaIn(found.ref), ownKeyOf(found))))

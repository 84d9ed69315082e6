import { areaOf, type AnyDifference } from '../../core/areas/index.js'
import type { Comparison } from '../../core/compare.js'
import { UnpackError } from '../../core/errors.js'
import type { SignedIn } from '../../systems/session.js'
import { NoAnswer } from '../../web/failure.js'
import type { Work } from '../work.js'
import { carryOut, type Books } from '../carry-out.js'
import { payDebts } from '../debts.js'
import type { Run } from '../run.js'
import { leftBySending, stoodOnce } from '../ownership.js'
import { keepCopies } from '../copies.js'
import { takeStock, type Stock } from '../stock.js'
import { againstPlan } from '../against-plan.js'
import { nowAndLater, type Agenda } from './agenda.js'
import { rememberAll, rememberUnseen } from './remember.js'
import { isStillOpen } from './same.js'

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

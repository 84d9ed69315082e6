import { allFound } from '../core/inventory.js'
import type { AnyDifference, Inventory } from '../core/areas/index.js'
import type { Baseline } from '../core/baseline/schema.js'
import type { Comparison, Remark } from '../core/compare.js'
import { tally } from '../core/report/outcome.js'
import { UnpackError, type ErrorCode } from '../core/errors.js'
import type { Check, EyesCell } from '../core/report/report.js'
import type { SignedIn } from '../systems/session.js'
import type { Work } from './work.js'
import type { SettleOptions } from './settling/choice.js'
import { accountOf, blankReport, placesOf, type Fate } from './report-of.js'
import { call } from './call.js'
import { keepingPages } from './unexpected-page.js'
import { asUnpackError } from './error-of.js'
import { closeFirst, opensSite } from './gate.js'
import { fillFirstRun } from './first-run.js'
import { lookAtAll } from './look.js'
import type { RunRecord } from './keeping.js'
import { move, refuseMove } from './move.js'
import { sayWhose } from './whose-record.js'
import { Run } from './run.js'
import { choose, chooseAgain } from './settling/choose.js'
import { rememberAsPlanned } from './settling/remember.js'
import { notesOf } from './settling/together.js'
import { Agenda } from './settling/agenda.js'
import { askAboutEarly } from './settling/early.js'
import { settleAndReadBack } from './settling/read-back.js'
import { takeStock, expectedStock, type Stock } from './stock.js'
import { againstPlan } from './against-plan.js'

export { chooseAll, type Choice, type Chosen, type SettleOptions } from './settling/choice.js'

/** What came of settling. */
export interface Settled {
  /** Refs that are as planned now. */
  settled: string[]
  failed: { ref: string; code: ErrorCode; text: string }[]
  /** Differences that were not chosen. */
  open: AnyDifference[]
  comparison: Comparison
  checks: Check[]
  /** What each may do where, as visitor, members and owner found it. */
  eyes: EyesCell[]
  writes: number
  requests: number
  /** Where it is, and where its owner signs in. */
  site: { address: string; dashboard: string; username: string }
  /** The record's folder; undefined if nothing was begun. */
  record?: string
}

/**
 * Brings a site to its baseline: survey, compare, choose, first-run form, sign in, settle, read back, confirm.
 * @param baseline how the site should be
 * @returns what is settled, what failed and why, and where the record lies
 * @throws UnpackError of everything that stops a run; what was begun is in the journal
 * @example await settle(baseline, { logins, choose: ({ differences }) => differences })
 */
export const settle = (baseline: Baseline, options: SettleOptions): Promise<Settled> =>
  call(async (guard) => {
    const started = new Date()
    const run = await Run.begin(baseline, options, guard)
    try {
      await run.lock()
      return await settleLocked(run, options, started)
    } finally {
      await run.end()
    }
  })

async function settleLocked(run: Run, options: SettleOptions, started: Date): Promise<Settled> {
  refuseMove(run)
  const shown = await keepingPages(run, () => see(run, options))
  run.phase('compare')
  const { comparison: plan } = shown
  const first = { comparison: plan, differences: plan.differences, expected: !shown.session, late: false }
  const usual = await choose(options, first)
  if (!usual) {
    await shown.session?.signOut()
    return {
      ...nothing,
      open: plan.differences,
      comparison: plan,
      requests: run.account.traffic.requests,
      site: siteOf(run),
    }
  }
  const also = await askAboutEarly(run, options, shown.stock, plan)
  const agreed = [...usual, ...also.chosen]
  const record = run.record(started)
  record.journal({ event: 'opened' })
  try {
    return await carryThrough(run, options, { ...shown, comparison: also.comparison }, agreed, record, started)
  } catch (error) {
    throw stoppedPartWay(run, record, asUnpackError(error))
  } finally {
    run.account.endLog()
  }
}

/** A run that stopped part-way: the journal says so, and where; what it leaves closed is said. The next goes on from there. */
function stoppedPartWay(run: Run, record: RunRecord, error: UnpackError): UnpackError {
  try {
    if (error.page !== undefined) record.keepPage('unexpected', error.page)
    record.journal({ event: 'closed', ok: false, why: error.message })
  } catch {
    // a disk in trouble is most likely the very error that is told here
  }
  if (!run.state.closed) return error
  return error.withNext(`The site is closed to visitors: the next settle opens it, or you do, at ${run.site.home}.`)
}

/** Everything that may write, from the first-run form on. */
async function carryThrough(
  run: Run,
  options: SettleOptions,
  shown: Shown,
  agreed: readonly AnyDifference[],
  record: RunRecord,
  started: Date,
): Promise<Settled> {
  const agenda = new Agenda(shown.comparison, shown.stock.inventory, agreed)
  const session = shown.session ?? (await fillFirstRun(run, shown.comparison, record))
  const work: Work = { run, session, record }
  const seen = shown.session ? shown : await see(run, options, session)
  if (!shown.session) {
    const chosen = await chooseAgain(options, seen.comparison, shown.comparison, agreed)
    const also = await askAboutEarly(run, options, seen.stock, seen.comparison)
    agenda.afterFirstRun(also.comparison, seen.stock.inventory, [...chosen, ...also.chosen])
  }
  // on a site that was made a moment ago, only our own writes change other values
  if (shown.session) await rememberAsPlanned(run, agenda)
  sayWhose(run, record, seen.stock.inventory)
  const { chosen } = agenda
  const oldPlaces = placesGone(seen.stock.inventory, chosen, run.site.home)
  // the site's own address changes last of all, when everything else was read back
  const moving = chosen.find(({ area }) => area === 'address')
  if (moving) agenda.setApart(moving)
  agenda.doInstead(await closeFirst(work, seen, chosen))
  await settleAndReadBack(work, agenda, seen.stock, (comparison, late) =>
    choose(options, { comparison, differences: late, expected: false, late: true }).then((more) => more ?? []),
  )
  if (!agenda.left.differences.some(opensSite)) await run.state.close(false)
  const moved = await move(work, moving, agenda)
  await moved?.session.signOut().catch(() => undefined)
  const { checks, eyes, remarks } =
    options.confirm === false || !moved
      ? { checks: [], eyes: [], remarks: [] as Remark[] }
      : await lookAtAll(moved.run, record, oldPlaces, changedIn(chosen))

  // where the address was changed, the site is at the new one
  const there = moved?.run ?? run
  const done = { ...resultOf(run, agenda, checks), eyes, site: siteOf(there) }
  const notes = [...notesOf(shown.comparison, seen.comparison), ...remarks]
  record.journal({ event: 'closed', ok: done.failed.length === 0 && tally(checks).failed === 0 })
  const { kept, extras, byHand, never } = agenda.left
  const { requests, writes } = run.account.traffic
  record.report({
    ...blankReport(run, 'settle', started),
    ...placesOf(there),
    ...accountOf(agenda.all, (difference) => agenda.fateOf(difference), agenda.left.names),
    ...{ kept, extras, byHand, never, notes, checks, eyes, requests, writes },
    ended: new Date().toISOString(),
  })
  return { ...done, comparison: { ...done.comparison, notes }, record: record.folder }
}

const nothing = { settled: [], failed: [], checks: [], eyes: [], writes: 0 }

interface Shown {
  /** Left out in front of a first-run form. */
  session?: SignedIn
  stock: Stock
  comparison: Comparison
}

/** Signs in, if it can be done, reads everything and compares. Somebody's own items stop a run that would change anything. */
async function see(run: Run, options: SettleOptions, signedIn?: SignedIn): Promise<Shown> {
  const session = signedIn ?? (run.site.atFirstRun ? undefined : await run.logins.signIn())
  if (session) run.phase('read')
  const stock = session ? await takeStock(run, session) : expectedStock(run)
  const comparison = againstPlan(run, stock)
  const { others, differences } = comparison
  if (others.length > 0 && differences.length > 0 && !options.inUse) {
    await session?.signOut().catch(() => undefined)
    throw UnpackError.of('in-use', { address: run.site.home, others })
  }
  return { session, stock, comparison }
}

const changedIn = (differences: readonly AnyDifference[]): string[] =>
  differences.flatMap(({ is, ref }) => (is === 'different' ? [ref as string] : []))

/** Where visitors found what is about to go or to be taken over. */
function placesGone(inventory: Inventory, chosen: readonly AnyDifference[], home: string): string[] {
  const going = new Set(
    chosen.flatMap((difference) => (difference.is === 'missing' ? [] : [difference.found.ref as string])),
  )
  return allFound(inventory).flatMap(({ ref, origin, hidden, address }) =>
    origin === 'shipped' && !hidden && address !== undefined && going.has(ref)
      ? // counted from the site's address: it may be another one when they are looked at
        [address.startsWith(home) ? `/${address.slice(home.length)}` : address]
      : [],
  )
}

function resultOf(run: Run, agenda: Agenda, checks: Check[]): Omit<Settled, 'record' | 'eyes' | 'site'> {
  const { requests, writes } = run.account.traffic
  const { all, left } = agenda
  const of = (outcome: Fate['outcome']) => all.filter((difference) => agenda.fateOf(difference).outcome === outcome)
  return {
    settled: [...new Set(of('settled').map(({ ref }) => ref as string))],
    failed: of('failed').map((difference) => {
      const { code = 'not-taken', text = '' } = agenda.fateOf(difference)
      return { ref: difference.ref, code, text }
    }),
    open: left.differences.filter((difference) => agenda.fateOf(difference).outcome === 'not chosen'),
    comparison: { ...left, differences: all },
    checks,
    writes,
    requests,
  }
}

const siteOf = (run: Run): Settled['site'] => ({ ...placesOf(run), username: run.baseline.owner.username })

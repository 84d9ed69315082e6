import { whoIsWhere } from '../core/access/onlookers.js'
import type { Inventory } from '../core/areas/index.js'
import type { Comparison, Remark } from '../core/compare.js'
import { UnpackError } from '../core/errors.js'
import { lookedAt } from '../core/report/outcome.js'
import { differenceText } from '../core/words.js'
import type { Check, EyesCell } from '../core/report/report.js'
import type { Screen } from '../systems/system.js'
import type { Visitor } from '../web/visitor.js'
import type { SignedIn } from '../systems/session.js'
import { lookFailure } from './error-of.js'
import { lookFromWhereVisitorsAre } from './face.js'
import { lookThroughEyes, watched } from './eyes.js'
import type { RunRecord } from './keeping.js'
import type { Run } from './run.js'
import { visits } from './visits.js'
import { takeStock, expectedStock, type Stock } from './stock.js'
import { againstPlan } from './against-plan.js'

const asOwner = (name: string, ok: boolean, detail: string): Check => ({
  name,
  as: 'owner',
  outcome: lookedAt(ok),
  detail,
})

/** What was looked at, and how it was found. */
export interface Looked {
  checks: Check[]
  /** What each may do where, as visitor, members and owner found it. */
  eyes: EyesCell[]
  /** What is worth knowing of the public site beside the plan. */
  remarks: Remark[]
  /** What stands otherwise than planned since somebody changed it. */
  changed: Remark[]
}

/**
 * Looks at the result as visitor and as owner, in sessions of their own, and compares once more. Writes nothing.
 * @param oldPlaces addresses at which something stood that was to go
 * @param changedRefs what this run has changed
 */
export async function lookAtAll(
  run: Run,
  record: RunRecord,
  oldPlaces: readonly string[] = [],
  changedRefs: readonly string[] = [],
): Promise<Looked> {
  run.phase('confirm')
  const checks: Check[] = []
  const add = (...more: Check[]) => {
    for (const check of more) {
      checks.push(check)
      run.account.tell({ is: 'check', check })
    }
  }
  const session = await signIn(run, add)
  const stock = session && (await read(run, session, record, add))
  const inventory = stock?.inventory
  const comparison = againstPlan(run, stock ?? expectedStock(run))
  if (inventory) lookFromWhereVisitorsAre(run, inventory)
  if (inventory) run.eyes.know(whoIsWhere(inventory, changedRefs))
  const [seen, screens, eyes] = await Promise.all([
    visits(run, comparison, inventory, oldPlaces),
    session ? Promise.all(run.site.system.screens.map((screen) => open(run, session, screen, record))) : [],
    throughEyes(run, comparison, inventory),
  ])
  add(...seen.checks, ...screens, ...eyes.checks)
  // only now: some systems fail what an account asks for just while another session of it signs out
  await run.eyes.close()
  if (inventory) add(nothingLeft(comparison))
  if (session) add(await signOut(run, session))
  const theirs = new Set(comparison.theirKeys.map((key) => key.replace(/#.*/, '')))
  const changed = comparison.kept.filter(({ ref }) => theirs.has(ref))
  return { checks, eyes: eyes.cells, remarks: seen.remarks, changed }
}

/** What some may do and others not, as many eyes find it. */
async function throughEyes(
  run: Run,
  comparison: Comparison,
  inventory: Inventory | undefined,
): Promise<{ checks: Check[]; cells: EyesCell[] }> {
  const all = inventory ? watched(run, comparison, inventory) : []
  const seen = await Promise.all(all.map((one) => lookThroughEyes(run, one)))
  return { checks: seen.flatMap(({ checks }) => checks), cells: seen.flatMap(({ cells }) => cells) }
}

type Add = (...checks: Check[]) => void

/** Signs in, in a new session; where the login is refused, that is the check that failed, and visitors' looks go on. */
async function signIn(run: Run, add: Add): Promise<SignedIn | undefined> {
  const name = 'the owner can sign in'
  try {
    const session = await run.logins.signInAnew()
    add(asOwner(name, true, 'in a new session'))
    return session
  } catch (error) {
    if (!(error instanceof UnpackError) || error.code !== 'login-refused') throw error
    add(asOwner(name, false, `${error.message} What needs the dashboard was not looked at.`))
    return undefined
  }
}

/** Reads everything once more; a screen that is not as expected fails the comparison, and nothing else. */
async function read(run: Run, session: SignedIn, record: RunRecord, add: Add): Promise<Stock | undefined> {
  try {
    return await takeStock(run, session)
  } catch (error) {
    add(asOwner(NOTHING_LEFT, false, lookFailure(error)))
    if (error instanceof UnpackError && error.page !== undefined) record.keepPage('unexpected', error.page)
    return undefined
  }
}

/** How many differences a check tells; compare tells them all. */
const MOST_TOLD = 8
const NOTHING_LEFT = 'nothing is left to settle'

/** What differs, found → wanted, in an owner's words. */
function nothingLeft({ differences, byHand, never, names }: Comparison): Check {
  const left = [
    ...differences.map((one) => differenceText(one, names)),
    ...byHand.map(({ ref, text }) => `by hand, ${ref}: ${text}`),
    ...never.map(({ ref, text }) => `not to be had, ${ref}: ${text}`),
  ]
  return asOwner(
    NOTHING_LEFT,
    left.length === 0,
    left.length === 0
      ? 'compared again'
      : `${left.slice(0, MOST_TOLD).join('; ')}${left.length > MOST_TOLD ? `; and ${left.length - MOST_TOLD} more` : ''}`,
  )
}

/** How the owner comes to the dashboard. */
const browserOf = async (session: SignedIn): Promise<Visitor> => (await session.browser?.()) ?? session.visitor

/** Opens one screen of the dashboard; one that has trouble is kept in the record. */
async function open(run: Run, session: SignedIn, screen: Screen, record: RunRecord): Promise<Check> {
  const name = `the dashboard's screen “${screen.name}” opens`
  try {
    const answer = await (await browserOf(session)).get(screen.place)
    const trouble = run.site.system.trouble(answer, screen)
    if (trouble === undefined) return asOwner(name, true, answer.url)
    record.keepPage(screen.name, answer.text)
    return asOwner(name, false, `${answer.url}: ${trouble}`)
  } catch (error) {
    return asOwner(name, false, lookFailure(error))
  }
}

/** Signs out, and sees whether the dashboard is closed then. */
async function signOut(run: Run, session: SignedIn): Promise<Check> {
  const name = 'the owner can sign out'
  try {
    const browser = await browserOf(session)
    await session.signOut().catch(() => undefined)
    const [first] = run.site.system.screens
    if (!first)
      return { name, as: 'owner', outcome: 'not looked at', detail: 'this system has no dashboard to try it at' }
    const out = run.site.system.trouble(await browser.get(first.place), first) !== undefined
    return asOwner(name, out, out ? 'the dashboard asks to sign in again' : 'the dashboard still opens')
  } catch (error) {
    return asOwner(name, false, lookFailure(error))
  }
}

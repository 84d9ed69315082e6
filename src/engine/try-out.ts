import { setTimeout as wait } from 'node:timers/promises'
import type { Trying } from '../looks/trying.js'
import { areaNames, areaOf, type AreaName, type Inventory } from '../core/areas/index.js'
import { UnpackError } from '../core/errors.js'
import { Secret } from '../core/secret.js'
import { foundAt } from '../core/inventory.js'
import type { Attempt } from '../core/looking.js'
import { lookedAt } from '../core/report/outcome.js'
import type { Check } from '../core/report/report.js'
import { onSystem } from '../systems/abilities.js'
import type { Work } from './work.js'
import { againstPlan } from './against-plan.js'
import { lookFailure } from './error-of.js'
import { watched } from './eyes.js'
import { lookFromWhereVisitorsAre } from './face.js'
import type { RunRecord } from './keeping.js'
import type { Run } from './run.js'
import { takeStock } from './stock.js'
import { newMark, takeAwayLeft, withMark } from './trial-marks.js'
import { tryEyes } from './try-eyes.js'

/** How long a mail is waited for, in milliseconds, and how often it is looked for meanwhile. */
const WAIT = { most: 10_000, between: 200 }

/**
 * Tries out what looking does not show, as the areas say; what was written is taken away again. Every writing is journalled.
 * @throws UnpackError `trial-in-use`
 */
export async function tryOut(run: Run, record: RunRecord): Promise<Check[]> {
  const session = await run.logins.signIn()
  try {
    const work = { run, session, record }
    await takeAwayLeft(work)
    const stock = await takeStock(run, session)
    const comparison = againstPlan(run, stock)
    lookFromWhereVisitorsAre(run, stock.inventory)
    const { others } = comparison
    if (others.length > 0) throw UnpackError.of('trial-in-use', { address: run.site.home, others })
    const checks: Check[] = []
    for (const one of watched(run, comparison, stock.inventory)) checks.push(...(await tryEyes(work, one)))
    for (const area of areaNames) checks.push(...(await tryArea(work, area, stock.inventory)))
    return checks
  } finally {
    await session.signOut().catch(() => undefined)
  }
}

/** Tries what an area says; where the system has to take something away again, with a mark in what is written. */
async function tryArea(work: Work, area: AreaName, inventory: Inventory): Promise<Check[]> {
  const { run } = work
  const { try: way, takeAway, makeVoid, ships } = onSystem(run.site.system, area) ?? {}
  const shipped = ships?.(run.baseline, run.site.version)[0]?.item
  const attempts = areaOf(area).tries?.(run.baseline, (ref) => foundAt(inventory, ref), shipped) ?? []
  const checks: Check[] = []
  for (const attempt of attempts) {
    const cannot = attempt.cannot ?? (way && unread(run, attempt))
    if (!way || cannot !== undefined) {
      checks.push(untried(attempt, cannot ?? 'this system gives no way to try it'))
      continue
    }
    const act = (mark: string) =>
      tryOne(work, way, attempt, mark, run.site.publicly(foundAt(inventory, attempt.at)?.address ?? ''))
    checks.push((takeAway ?? makeVoid) ? await withMark(work, area, act) : await act(newMark()))
  }
  return checks
}

/** Whoever tries it: a site's mail is sent by its owner, everything else is a visitor's. */
const whose = ({ arrivesAt }: Attempt): string => (arrivesAt === undefined ? 'visitor' : 'owner')
const untried = (attempt: Attempt, why: string): Check => ({
  name: attempt.name,
  as: whose(attempt),
  outcome: 'not looked at',
  detail: why,
})

/** What nobody could read is not sent. */
const unread = ({ options }: Run, { arrivesAt }: Attempt): string | undefined =>
  arrivesAt !== undefined && !options.mailbox
    ? `nobody reads here what arrives at ${arrivesAt}; --mail-folder FOLDER lets Unpack do that`
    : undefined

async function tryOne(
  { run, session }: Work,
  way: Trying<object>,
  attempt: Attempt,
  mark: string,
  address: string,
): Promise<Check> {
  const { name, should, words, arrivesAt } = attempt
  const check = (ok: boolean, detail: string): Check => ({
    name,
    as: whose(attempt),
    outcome: lookedAt(ok),
    detail,
  })
  try {
    const text =
      arrivesAt === undefined
        ? `Unpack tries the rules of this site (${mark}), and takes this away again.`
        : `Unpack tries whether mail of this site arrives (${mark}). Nothing is to be done.`
    const hide = (one: string) => run.account.guard.add(new Secret(one))
    const since = new Date()
    const tried = await way(attempt, { visitor: run.site.publicVisitor(), session, address, text, hide })
    if (!tried) return untried(attempt, 'there was nothing to try it on')
    const came =
      arrivesAt !== undefined && tried.came === 'sent' ? await arrival(run, arrivesAt, since, mark) : tried.came
    return check(came === should, tried.detail ?? words[came] ?? came)
  } catch (error) {
    return check(false, lookFailure(error))
  }
}

/** Others may write to the same address meanwhile: the mail that is waited for bears the mark. */
async function arrival({ options }: Run, to: string, since: Date, mark: string): Promise<'arrived' | 'lost'> {
  for (const end = Date.now() + WAIT.most; ;) {
    const mails = (await options.mailbox?.mailsTo(to, since)) ?? []
    if (mails.some((text) => text.includes(mark))) return 'arrived'
    if (Date.now() >= end) return 'lost'
    await wait(WAIT.between, undefined, { signal: options.signal })
  }
}

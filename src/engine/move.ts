import { addressText, isThisMachine, parseAddress } from '../core/address.js'
import type { AnyDifference } from '../core/areas/index.js'
import { UnpackError } from '../core/errors.js'
import type { SignedIn } from '../systems/session.js'
import { NoAnswer } from '../web/failure.js'
import type { Work } from './work.js'
import { carryOut } from './carry-out.js'
import type { Run } from './run.js'
import type { Agenda } from './settling/agenda.js'
import { survey } from './survey.js'
import { unlessStopped } from './unless-stopped.js'
import { takeStock } from './stock.js'
import { againstPlan } from './against-plan.js'

/**
 * Refuses a move that would send the password readable by anybody on the way, before anything is written.
 * @throws UnpackError `plain-http`
 */
export function refuseMove({ baseline: { site }, options }: Run): void {
  const to = parseAddress(site.address)
  if (site.reachedAt === undefined || !to || to.origin.startsWith('https:') || isThisMachine(to) || options.plainHttp)
    return
  throw UnpackError.of('plain-http', { address: addressText(to) })
}

/** Where a run goes on after the address was changed; undefined where the new one does not lead to the site yet. */
export type Moved = { run: Run; session: SignedIn } | undefined

/**
 * Changes the site's own address, last of all, where it is reached at another one today: the login moves along first, so
 * that no moment is without one. What answers at the new address is looked at as a visitor first: only the same site is signed
 * in to.
 * @returns the run and session to go on with; undefined where the new address does not lead to this site yet
 */
export async function move(
  { run, session, record }: Work,
  step: AnyDifference | undefined,
  agenda: Agenda,
): Promise<Moved> {
  const to = parseAddress(run.baseline.site.address)
  if (!step || !to) return { run, session }
  const shown = await run.site.system.shows?.(run.site.visitor())
  const { logins } = run.options
  const there = await run.movedTo(to)
  const own = await logins.find(run.site.home, session.login.username)
  if (own) await logins.put(there.site.home, own.username, own.password)
  run.phase('move', there.site.home)
  await carryOut(run, session, [step], { record, inventory: {}, agenda })
  if (agenda.whyOf(step.ref)) return { run, session }
  const strange = await whyStrange(there, shown)
  if (strange !== undefined) return notThere(there, agenda, strange)
  try {
    const after = await there.logins.signIn()
    const stock = await takeStock(there, after)
    agenda.read(againstPlan(there, stock), stock.inventory)
    record.journal({ event: 'read back', ref: step.ref, is: step.is, ok: true })
    return { run: there, session: after }
  } catch (error) {
    if (!(error instanceof NoAnswer || (error instanceof UnpackError && error.code === 'login-refused'))) throw error
    return notThere(there, agenda, error.message)
  }
}

/**
 * Why what answers at the new address is not this site, as a stranger sees it: the same system has to stand there, and to show
 * what only this site shows.
 */
async function whyStrange(there: Run, shown: string | undefined): Promise<string | undefined> {
  const { findings, address } = await survey(there.site.home, { ...there.options, on: undefined, door: undefined })
  if (findings.failure) return findings.failure.text
  if (addressText(address) !== there.site.home) return `it leads to ${addressText(address)}`
  if (findings.system?.id !== there.site.system.id || findings.system.state !== 'set up')
    return 'something else answers there'
  if (shown === undefined) return 'it shows nothing by which it could be told from another'
  const now = await there.site.system.shows?.(there.site.visitor()).catch(unlessStopped)
  return now === shown ? undefined : 'another site answers there'
}

function notThere(there: Run, agenda: Agenda, why: string): undefined {
  const text = `the site's own address is ${there.site.home} now, which does not lead to it yet (${why}); no password was sent there: confirm it when it does`
  agenda.left = {
    ...agenda.left,
    differences: agenda.left.differences.filter(({ area }) => area !== 'address'),
    byHand: [...agenda.left.byHand, { ref: 'site.address', text }],
  }
  return undefined
}

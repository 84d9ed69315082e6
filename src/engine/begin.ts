import { addressText, isThisMachine, parseAddress } from '../core/address.js'
import { UnpackError } from '../core/errors.js'
import type { System } from '../systems/system.js'
import { refuseUnproven } from './proven.js'
import { knownSystems } from './known-systems.js'
import type { RunOptions } from './options.js'
import { survey, type Surveyed } from './survey.js'

/** Surveys without any password first; one in front of everything is opened with the login that is stored for it. */
export async function surveyWithDoor(
  address: string,
  options: RunOptions,
): Promise<{ surveyed: Surveyed; door: RunOptions['door'] }> {
  const surveyed = await survey(address, options)
  const to = addressText(surveyed.address)
  // the login for closed sites goes to the address in the file, not to one that it redirects to
  const isHere = to === addressText(parseAddress(address) ?? surveyed.address)
  const isClosed = isHere && surveyed.findings.front?.status === 401 && options.door === undefined
  const door = isClosed ? await options.logins.door?.(to) : options.door
  if (!isClosed || !door) return { surveyed, door }
  if (to.startsWith('http:') && !isThisMachine(surveyed.address) && !options.plainHttp)
    throw UnpackError.of('plain-http', { address: to })
  return { surveyed: await survey(to, { ...options, door }), door }
}

/**
 * The system that stands there, if a run may begin on it.
 * @throws UnpackError of every reason against it
 */
export async function refuseUnsafe(
  { findings, standing, reasons, address }: Surveyed,
  wanted: string,
  options: RunOptions,
): Promise<System> {
  const finding = reasons.join('; ')
  const to = addressText(address)
  if (findings.failure) throw UnpackError.of('nothing-there', { address: wanted, finding: findings.failure.text })
  if (to !== addressText(parseAddress(wanted) ?? address))
    throw UnpackError.of('address-leads-elsewhere', { from: wanted, to })
  const { system } = findings
  const status = findings.front?.status ?? 0
  if (system?.state === 'broken' || (!system && (status === 401 || status === 403 || status >= 500)))
    throw UnpackError.of('cannot-open', { address: wanted, finding })
  const found = (await knownSystems(options.systems)).find(({ id }) => id === system?.id)
  if (!system || !found) throw UnpackError.of('no-system', { address: wanted, standing, reason: finding })
  // what visitors are not told is decided after signing in
  if (system.proven !== undefined || !found.version) refuseUnproven(system, options)
  if (address.origin.startsWith('http:') && !isThisMachine(address) && !options.plainHttp)
    throw UnpackError.of('plain-http', { address: to })
  return found
}

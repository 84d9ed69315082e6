import { entry, list } from './entry.js'

/** Refused as unsafe, or locked. */
export const refused = {
  'no-system': entry(
    3,
    (d: { address: string; standing: string; reason: string }) =>
      `At ${d.address} there is nothing Unpack can settle (${d.standing}): ${d.reason}`,
    () =>
      'When the host has installed the system there, run the same command again. `unpack survey` tells what stands there.',
  ),
  'other-kind': entry(
    3,
    (d: { address: string; system: string; is: string; wanted: string }) =>
      `At ${d.address} stands ${d.system}, a ${d.is}; the baseline is for a ${d.wanted}. No password was sent.`,
    () => 'Check the address, or “kind” in the baseline.',
  ),
  'in-use': entry(
    3,
    (d: { address: string; others: string[] }) =>
      `${d.address} is in use: it holds what neither shipped with it nor stands in the baseline: ${list(d.others)}.`,
    () => 'Nothing was written. With --in-use, only what the baseline names is touched.',
  ),
  'not-proven': entry(
    3,
    (d: { system: string; version: string; tried?: string }) =>
      `Unpack is not proven with ${d.system} ${d.version}${d.tried === undefined ? '' : `, only with ${d.tried}`}. Nothing was written.`,
    () => 'To go on, add --unproven. No setting was ever tried with this version, so use a copy of the site first.',
  ),
  'plain-http': entry(
    3,
    (d: { address: string }) =>
      `Signing in to ${d.address} would send the password readable by anybody on the way. It was not sent.`,
    () => 'Use the https address; --plain-http goes on all the same.',
  ),
  locked: entry(
    3,
    (d: { address: string }) => `Another run is at work on ${d.address}.`,
    () => 'Wait until it has ended, then run the same command again.',
  ),
}

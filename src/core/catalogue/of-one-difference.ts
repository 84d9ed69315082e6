import { entry } from './entry.js'

/** Of one difference, not of a run. */
export const ofOne = {
  'not-taken': entry(
    1,
    (d: { what: string }) => `The site answered, but did not take it: ${d.what}`,
    () => 'Look at it in the dashboard; some values are not to be had on this site.',
  ),
  'not-here': entry(
    1,
    (d: { what: string }) => d.what,
    () => 'Choose one of those that it has.',
  ),
  'refused-by-site': entry(1, (d: { code: string }) => `The site refused it (${d.code}).`),
  'changed-meanwhile': entry(
    1,
    (_details: object) => 'Someone changed it while this run was under way, so it was left as it is.',
    () => 'Run the same command again: it compares again.',
  ),
  'not-kept': entry(
    1,
    (d: { why: string }) => `It was not removed, since it can't be kept first: ${d.why}.`,
    () => 'Keep it yourself, and remove it in the dashboard.',
  ),
  'nothing-readies': entry(1, (d: { what: string }) => `It waits for what nothing here makes: ${d.what}.`),
  'waits-for': entry(1, (d: { ref: string }) => `It needs ${d.ref}, which was not settled.`),
  stopped: entry(
    130,
    (_details: object) => 'Stopped. What was begun is in the journal; run the same command again to go on.',
  ),
  fault: entry(
    5,
    (d: { kind: string }) => `Unpack itself failed here (${d.kind}). What was done is in the journal.`,
    () => 'Please tell its developers what you ran.',
  ),
}

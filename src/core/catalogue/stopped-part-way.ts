import { entry, list } from './entry.js'

/** Stopped part-way. */
export const stoppedPartWay = {
  'lock-lost': entry(
    5,
    (d: { address: string }) =>
      `This run was asleep, and another has taken over ${d.address} meanwhile. It was stopped before it wrote anything more.`,
    () => 'Wait until the other has ended, then run the same command again.',
  ),

  'caller-failed': entry(
    5,
    (d: { what: string; why: string }) => `“${d.what}” of the program that called Unpack failed: ${d.why}`,
    () => 'Fix it there and run again: the next run goes on where this one stopped.',
  ),

  'first-run-refused': entry(
    5,
    (d: { address: string; why: string }) => `The first-run form of ${d.address} was not accepted: ${d.why}`,
    () => 'The password is in the logins file. Run the same command again.',
  ),
  'lost-answer': entry(
    5,
    (d: { url: string; finding: string }) =>
      `The answer of ${d.url} was lost (${d.finding}), and reading the site again did not help.`,
    () => 'Run the same command again; it looks first what is there, and goes on.',
  ),
  'screen-unexpected': entry(
    5,
    (d: { url: string; wanted: string }) => `${d.url} is not as expected: ${d.wanted} was not found there.`,
    () => 'Run the same command again; if it stays so, look at that page yourself, and do this step by hand.',
  ),
  'session-lost': entry(
    5,
    (d: { address: string }) => `${d.address} ended the session, and signing in once more did not help.`,
    () => 'Run the same command again; it goes on where this one stopped.',
  ),
  'record-broken': entry(
    5,
    (d: { file: string; line: number }) => `${d.file}:${d.line}: this line of the journal can't be read.`,
  ),
  'record-of-another-site': entry(
    2,
    (d: { folder: string; address: string }) =>
      `${d.folder} is the record of another site than the one at ${d.address}. Nothing was changed.`,
    () => 'Name a record of this site; the folders are called after the addresses of their sites.',
  ),

  'first-run-waits': entry(
    1,
    (d: { address: string }) =>
      `The first-run form of ${d.address} is not filled in yet, so there is nothing to confirm.`,
    () => 'Run `unpack settle` first.',
  ),
  'first-run-needs': entry(
    2,
    (d: { keys: string[] }) =>
      `The first-run form that waits there needs what the baseline leaves out: ${list(d.keys)}.`,
    () => 'Write it into the baseline.',
  ),
}

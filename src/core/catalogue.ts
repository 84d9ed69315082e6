/*
 * The one catalogue of what can go wrong. Each entry has a code that never changes, the exit code of the command line,
 * and what an owner is told: what happened, and what to do next. No entry may quote a file's line or a server's trace.
 */
export interface Entry<D> {
  exit: number
  what: (details: D) => string
  next?: (details: D) => string
}
const entry = <D>(exit: number, what: (details: D) => string, next?: (details: D) => string): Entry<D> => ({
  exit,
  what,
  next,
})

const list = (items: readonly string[]): string =>
  items.slice(0, 8).join(', ') + (items.length > 8 ? ` and ${items.length - 8} more` : '')

export const catalogue = {
  // 2: the baseline or the command line is wrong
  'baseline-wrong': entry(
    2,
    (d: { file: string; count: number }) =>
      `${d.file} has ${d.count === 1 ? 'a mistake' : `${d.count} mistakes`}. Nothing was sent anywhere.`,
    () => 'Mend what is listed and run the same command again.',
  ),
  'file-missing': entry(
    2,
    (d: { file: string }) => `The file ${d.file} can't be read.`,
    () => 'Check its name, and the folder you are in.',
  ),
  'file-not-utf8': entry(
    2,
    (d: { file: string; is: string }) => `The file ${d.file} is not written in UTF-8, but in ${d.is}.`,
    () => 'Save it in UTF-8: most editors ask for the encoding where they ask for the name.',
  ),
  'file-outside': entry(
    2,
    (d: { file: string }) =>
      `${d.file} is a link that leads out of the folder of the baseline, so it was not read: it could be any file of this machine.`,
    () => 'Copy the file itself into the folder.',
  ),
  'file-no-file': entry(
    2,
    (d: { file: string }) => `${d.file} is no plain file (a folder, a pipe or a device), so it was not read.`,
    () => 'Name a file.',
  ),
  'file-too-large': entry(2, (d: { file: string; most: string }) => `The file ${d.file} is larger than ${d.most}.`),
  'command-line-wrong': entry(
    2,
    (d: { what: string; next?: string }) => d.what,
    (d) => d.next ?? 'See --help.',
  ),
  'address-wrong': entry(
    2,
    (d: { address: string }) => `“${d.address}” is not a site's address.`,
    () => 'Write it whole, as in http://127.0.0.1:4101/ or https://repair.example/blog/, without user name, ? or #.',
  ),
  'address-leads-elsewhere': entry(
    2,
    (d: { from: string; to: string }) =>
      `${d.from} leads to ${d.to}, so that is the site's address. No password was sent.`,
    (d) => `If that is your site, write “address: ${d.to}” in the baseline, or add --at ${d.to}`,
  ),
  'archive-broken': entry(
    2,
    (d: { file: string }) => `The archive ${d.file} can't be opened: it is damaged, or is no zip.`,
    () => 'Download it again, or ask where it comes from. Nothing was sent.',
  ),
  'archive-too-large': entry(
    2,
    (d: { file: string; most: string }) => `The archive ${d.file} holds more than ${d.most}, so it was not opened.`,
  ),
  'package-not-found': entry(
    2,
    (d: { file: string; use: string; holds: string[] }) =>
      `${d.file} holds no “${d.use}”; ${d.holds.length === 0 ? 'nothing in it is of that kind for this system' : `it holds ${list(d.holds)}`}.`,
    (d) =>
      d.holds.length === 0 ? 'Nothing was sent.' : 'Write the name it has there into the baseline. Nothing was sent.',
  ),
  'steps-in-a-circle': entry(
    2,
    (d: { refs: string[] }) => `These need each other, so none can come first: ${list(d.refs)}.`,
  ),
  'system-unknown': entry(
    2,
    (d: { module: string }) =>
      `${d.module} is not a system that Unpack can use: its default export must have id, areas and recognise.`,
  ),

  // 3: refused as unsafe, or locked
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
    (d: { system: string; version: string }) =>
      `Unpack is not proven with ${d.system} ${d.version}. Nothing was written.`,
    () => 'Try it on a copy of the site first; --unproven goes on all the same.',
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

  // 4: the site or the logins file can't be reached, opened or signed in to
  'nothing-there': entry(
    4,
    (d: { address: string; finding: string }) => `No site answers at ${d.address}: ${d.finding}`,
    () => 'Check the address; if it is right, ask the host.',
  ),
  'cannot-open': entry(
    4,
    (d: { address: string; finding: string }) => `${d.address} can't be opened: ${d.finding}`,
    () => 'Ask the host to put this right, then run the same command again.',
  ),
  'no-answer': entry(
    4,
    (d: { url: string; finding: string }) => `${d.url} gave no answer: ${d.finding}`,
    () => 'Run the same command again; it goes on where this one stopped.',
  ),
  'answer-too-large': entry(
    4,
    (d: { url: string; most: string }) => `The answer of ${d.url} is larger than ${d.most}.`,
  ),
  'left-the-site': entry(
    4,
    (d: { url: string; to: string }) =>
      `${d.url} leads away from the site, to ${d.to}. The session was not taken there.`,
  ),
  'folder-trouble': entry(
    4,
    (d: { file: string; why: string }) => `${d.file} can't be used: ${d.why}.`,
    () =>
      'Put that right, or name another place with --record, --logins or UNPACK_STATE, then run the same command again.',
  ),
  'link-broken': entry(
    4,
    (d: { address: string }) => `A page of ${d.address} leads to something that is no http or https address.`,
    () => 'Look at that page yourself, and do this step by hand.',
  ),
  'login-missing': entry(
    4,
    (d: { address: string; user: string; file: string }) =>
      `${d.address} is set up already, and ${d.file} holds no login of “${d.user}” for it.`,
    (d) => `If the site is yours: unpack logins add ${d.address} ${d.user}`,
  ),
  'login-refused': entry(
    4,
    (d: { address: string; user: string }) =>
      `${d.address} did not take the stored login of “${d.user}”. Nothing was changed.`,
    (d) => `If the password was changed there: unpack logins add ${d.address} ${d.user}`,
  ),
  'area-closed': entry(
    4,
    (d: { address: string }) =>
      `The interface at ${d.address} does not answer the owner either: it is switched off, by an add-on or by the server.`,
    () => 'Switch it on for the owner until the site is settled; what forms can do is done all the same.',
  ),
  'trial-in-use': entry(
    3,
    (d: { address: string; others: string[] }) =>
      `${d.address} is in use (${list(d.others)}): its rules are not tried out there.`,
    () => 'Nothing was written. Confirm without --try only looks.',
  ),
  'password-asked': entry(
    4,
    (d: { user: string }) =>
      `The baseline wants to ask for the password of “${d.user}”, and there is no terminal to ask at. Nothing was sent.`,
    () => 'Run it at a terminal, or write “password: made”, or “password: stored” after: unpack logins add.',
  ),
  'sign-in-challenge': entry(
    4,
    (d: { address: string }) =>
      `${d.address} took the password and asks for something more: a code, or a puzzle. Unpack can't answer that. Nothing was changed.`,
    () => 'Switch the second step at log-in off until the site is settled, and on again afterwards.',
  ),
  'passphrase-missing': entry(
    4,
    (d: { file: string }) => `The logins file ${d.file} needs its passphrase, and there is no terminal to ask for it.`,
    () => 'Set UNPACK_PASSPHRASE.',
  ),
  'passphrase-wrong': entry(
    4,
    (d: { file: string }) => `That is not the passphrase of ${d.file}. Nothing was changed.`,
    () => 'Try again; docs/logins.md says what to do when it is lost.',
  ),
  'logins-broken': entry(
    4,
    (d: { file: string }) => `${d.file} is not a logins file, or was damaged. It was left as it is.`,
    () => 'Bring it back from a backup, or name another with --logins.',
  ),
  'logins-newer': entry(
    4,
    (d: { file: string }) => `${d.file} was written by a newer version of Unpack than this one. It was left as it is.`,
    () => 'Use that version, or name another file with --logins.',
  ),
  'logins-changed': entry(
    4,
    (d: { file: string }) =>
      `${d.file} was made anew by somebody else meanwhile, with another key. It was left as it is.`,
    () => 'Run the same command again.',
  ),
  'login-unknown': entry(
    4,
    (d: { address: string; user: string; file: string }) =>
      `${d.file} holds no login${d.user ? ` of “${d.user}”` : ''} for ${d.address}.`,
    () => '`unpack logins list` shows what it holds.',
  ),

  // 5: stopped part-way
  'lock-lost': entry(
    5,
    (d: { address: string }) =>
      `This run was asleep, and another has taken over ${d.address} meanwhile. It was stopped before it wrote anything more.`,
    () => 'Wait until the other has ended, then run the same command again.',
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

  // of one difference, not of a run
  'not-taken': entry(
    1,
    (d: { what: string }) => `The site answered, but did not take it: ${d.what}`,
    () => 'Look at it in the dashboard; some values are not to be had on this site.',
  ),
  'refused-by-site': entry(1, (d: { code: string }) => `The site refused it (${d.code}).`),
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
} satisfies Record<string, Entry<never>>

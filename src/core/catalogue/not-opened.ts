import { entry, list } from './entry.js'

/** A login that the host has made gets a password of the owner's own. */
const hosts = ({ host }: { host?: boolean }): string => (host ? ' --temporary' : '')

/** The site or the logins file can't be reached, opened or signed in to. */
export const notOpened = {
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
    (d: { address: string; user: string; file: string; host?: boolean }) =>
      `${d.address} is set up already, and ${d.file} holds no login of “${d.user}” for it.`,
    (d) => `If the site is yours: unpack logins add ${d.address} ${d.user}${hosts(d)}`,
  ),
  'login-refused': entry(
    4,
    (d: { address: string; user: string; host?: boolean }) =>
      `${d.address} did not take the stored login of “${d.user}”. Nothing was changed.`,
    (d) => `If the password is another: unpack logins add ${d.address} ${d.user}${hosts(d)}`,
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
  'sign-in-waits': entry(
    4,
    (d: { address: string; minutes: number }) =>
      `${d.address} takes no more sign-ins for ${d.minutes} minutes: there were too many. Nothing was changed.`,
    () => 'Wait that long, then run the same command again; the session is kept, so that it needs fewer.',
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
}

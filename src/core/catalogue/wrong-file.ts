import { entry, list } from './entry.js'

/** The baseline or the command line is wrong. */
export const wrongFile = {
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
    (d: { module: string; why?: string }) =>
      `${d.module} is not a system that Unpack can use: ${d.why ?? 'its default export must have id, areas and recognise'}.`,
  ),
}

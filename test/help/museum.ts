import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { filesNamed, readBaseline, type Baseline, type Files } from 'unpack'
import { root } from './root.js'

export const museumFolder = join(root, 'demo/old-ropewalk-museum')
const text = readFileSync(join(museumFolder, 'baseline.yaml'), 'utf8')

/** The museum's baseline for another address and another host's login, changed as a test wants. */
export function museumBaseline(address: string, change: (text: string) => string = (same) => same): Baseline {
  const changed = change(
    text.replace('http://127.0.0.1:4103/museum/', address).replace('signInAs: keeper', 'signInAs: boss'),
  )
  const named = (files: Files = {}): Files =>
    Object.fromEntries(
      filesNamed(changed, files).map((name) => [name, new Uint8Array(readFileSync(join(museumFolder, name)))]),
    )
  return readBaseline(changed, named(named())).baseline
}

/** The same museum in German: with numbers for dates, as names of months would be English ones. */
export const inGerman = (plan: string): string =>
  plan
    .replace('language: en', 'language: de')
    .replace('timezone: Europe/London', 'timezone: Europe/Berlin')
    .replace('date: 5 March 2026', 'date: 5.3.2026')
    .replace('title: Welcome,', 'title: Willkommen,')
    .replace('title: Opening hours,', 'title: Öffnungszeiten & Wege,')

const GROUPS = ['Volunteers', 'Keepers']
/** Two hundred pages in twenty folders: a third for everybody, a third for members, a third for a group that may change them. */
export const manyPages = (address: string, folders = 20, inside = 9): Baseline =>
  readBaseline(
    JSON.stringify({
      unpack: 1,
      site: { address, title: 'Old Ropewalk Museum', language: 'en' },
      owner: { username: 'marlow', signInAs: 'boss', email: 'ines@ropewalk.example', password: 'made' },
      groups: GROUPS.map((name) => ({ name })),
      members: GROUPS.map((name, index) => ({
        username: `walker${index}`,
        email: `walker${index}@ropewalk.example`,
        groups: [name],
      })),
      pages: Array.from({ length: folders }, (_, folder) => ({
        title: `Shed ${folder + 1}`,
        slug: `shed-${folder + 1}`,
        body: 'shed.md',
        ...(folder % 3 === 1 && { for: 'members' }),
        ...(folder % 3 === 2 && { for: GROUPS, may: { edit: [GROUPS[folder % 2]] } }),
        under: Array.from({ length: inside }, (__, page) => ({
          title: `Rope ${folder + 1}.${page + 1}`,
          slug: `rope-${page + 1}`,
          body: 'rope.md',
        })),
      })),
    }),
    { 'shed.md': 'What hangs *here*.\n', 'rope.md': 'Three strands, laid right-handed.\n' },
  ).baseline

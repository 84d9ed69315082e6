import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { filesNamed, readBaseline, type Baseline, type Files } from 'unpack'
import { root } from './root.js'

const folder = join(root, 'demo/old-ropewalk-museum')
const text = readFileSync(join(folder, 'baseline.yaml'), 'utf8')

/** The museum's baseline for another address and another host's login, changed as a test wants. */
export function museumBaseline(address: string, change: (text: string) => string = (same) => same): Baseline {
  const changed = change(
    text.replace('http://127.0.0.1:4103/museum/', address).replace('signInAs: keeper', 'signInAs: boss'),
  )
  const named = (files: Files = {}): Files =>
    Object.fromEntries(
      filesNamed(changed, files).map((name) => [name, new Uint8Array(readFileSync(join(folder, name)))]),
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

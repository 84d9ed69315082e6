import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { filesNamed, readBaseline, type Baseline } from 'unpack'
import { root } from './root.js'

export const demoFolder = join(root, 'demo/repair-cafe')
export const demoText = readFileSync(join(demoFolder, 'baseline.yaml'), 'utf8')

const read = (text: string): Baseline => {
  const named = (files = {}) =>
    Object.fromEntries(
      filesNamed(text, files).map((name) => [name, new Uint8Array(readFileSync(join(demoFolder, name)))]),
    )
  return readBaseline(text, named(named())).baseline
}
type Change = (text: string) => string

/** The demo's baseline for another address, changed as a test wants. */
export const demoBaseline = (address: string, change: Change = (text) => text): Baseline =>
  read(change(demoText.replace('http://127.0.0.1:4101/', address)))

/** A small part of it, with the same owner: titles, categories and three pages. */
const smallText = `unpack: 1

site:
  address: http://127.0.0.1:4101/
  kind: blog
  title: Lantern Street Repair Café
  description: Bikes, lamps and jumpers mended every second Saturday
  language: en
  timezone: Europe/London
  searchEngines: welcome
  contact: desk@repair.example # where the site itself writes to

owner:
  username: marlow # a name that is easy to guess is refused
  name: { first: Ines, last: Marlow, shown: Ines at the café }
  email: ines@repair.example
  password: made # strong, random, in the logins file

shipped: remove

categories: # at least
  - name: Repairs
    slug: repairs
    description: What came in broken and went home working
    replaces: shipped # the category the system came with becomes this one
    under:
      - { name: Bicycles, slug: bicycles }
      - { name: Lamps & wiring, slug: lamps }
  - { name: Opening days, slug: opening-days }

pages: # at least
  - { title: Home, slug: home, body: pages/home.md, replaces: shipped }
  - { title: What we mend, slug: what-we-mend, body: pages/what-we-mend.md }
  - { title: Visit us, slug: visit, body: pages/visit.md }

checks: # on top of those that every area brings
  - { at: /home/, shows: Every second Saturday }
  - { at: /what-we-mend/, shows: toasters }
`
export const smallBaseline = (address: string, change: Change = (text) => text): Baseline =>
  read(change(smallText.replace('http://127.0.0.1:4101/', address)))

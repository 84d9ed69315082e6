import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { accessTable, readBaseline, type Baseline } from 'unpack'
import { root } from './root.js'

export const watchersText = readFileSync(join(root, 'demo/tidepool-watchers/baseline.yaml'), 'utf8')

/** What the real forum can't be given: its owner knows, and says so in the file. */
export const leftOnMisago = [
  'site.language',
  'site.timezone',
  'site.open',
  'mail.from',
  'mail.name',
  'mail.server',
  'signIn',
  'posting.waitSeconds',
  'posting.busyFrom',
  'posting.polls.choices',
  'profiles.mailEachOther',
  'profiles.chooseTheme',
  'profiles.ownPicture.maxPixels',
  'groups.description',
  'owner.shown',
]

type Change = (text: string) => string

/** The demo's forum for another address, changed as a test wants. */
export const watchers = (address: string, change: Change = (text) => text): Baseline =>
  readBaseline(change(watchersText.replace('http://127.0.0.1:4102/', address))).baseline

/** The same for the real one. */
export const watchersOnMisago = (address: string, change: Change = (text) => text): Baseline =>
  watchers(address, (text) => change(text.replace('leave: []', `leave: [${leftOnMisago.join(', ')}]`)))

/** Many forums, made up: for counting and timing. */
export const manyForums = (address: string, categories: number, forums: number, signInAs = 'boss'): Baseline =>
  readBaseline(
    JSON.stringify({
      unpack: 1,
      site: { address, title: 'Tidepool Watchers' },
      owner: { username: 'marlow', signInAs, email: 'ines@tidepool.example', password: 'made' },
      shipped: 'remove',
      groups: [{ name: 'Survey volunteers' }],
      members: [{ username: 'kelp', email: 'kelp@tidepool.example', groups: ['Survey volunteers'] }],
      forums: Array.from({ length: categories }, (_, category) => ({
        title: `Bay ${category + 1}`,
        forums: Array.from({ length: forums }, (__, forum) => ({
          title: `Pool ${category + 1}.${forum + 1}`,
          description: 'What lives here',
          ...(forum % 3 === 1 && { access: { see: 'members', read: ['Survey volunteers'], start: 'moderators' } }),
          ...(forum % 3 === 2 && { access: { start: 'moderators' } }),
        })),
      })),
    }),
  ).baseline

/** How many cells the table of the demo's forum has: every forum, seen by a visitor, a member, one of the group, and the owner. */
export const watchersCells = accessTable(readBaseline(watchersText).baseline).length * 4

import { join } from 'node:path'
import { faultKinds } from '../../stand-ins/faults/fault.js'
import { root as repository } from '../help/root.js'
import { badFiles } from './bad-files.js'
import { blogWorld } from './blog-world.js'
import { chance } from './chance.js'
import { contentWorld } from './content-world.js'
import { faults } from './faults.js'
import { forumWorld } from './forum-world.js'
import { hostileSites } from './hostile.js'
import { killed } from './killed.js'
import { nearDefaults } from './near-defaults.js'
import { readings, wrongAnswers } from './readings.js'
import { secrets } from './secrets.js'
import { shopWorld } from './shop-world.js'
import type { Tally } from './tally.js'

/** What a part needs: a folder of its own, a seed, and how many runs it may take at the most. */
export interface Ask {
  folder: string
  seed: number
  most: number
}
export interface Part {
  name: string
  /** What was done, for the page. */
  about: string
  /** How many cases are tried where nobody says how many; all where left out. */
  usual?: number
  run(ask: Ask): Promise<Tally> | Tally
}

const plans = {
  blog: 'demo/repair-cafe/baseline.yaml',
  forum: 'demo/tidepool-watchers/baseline.yaml',
  content: 'demo/old-ropewalk-museum/baseline.yaml',
  shop: 'demo/saltmarsh-seed-library/baseline.yaml',
}
const worlds = { blog: blogWorld, forum: forumWorld, content: contentWorld, shop: shopWorld }
const kinds = ['blog', 'forum', 'content', 'shop'] as const

export const readingsAbout = (site: string): string =>
  `each of ${wrongAnswers.length} wrong answers (${wrongAnswers.join(', ')}) in place of each reading of ${site} as planned: nothing is written`

/** Everything that needs nothing installed. */
export const parts: readonly Part[] = [
  ...kinds.map((kind): Part => ({
    name: `killed, ${kind}`,
    usual: 60,
    about: `the demo’s plan, settled by a process that is killed before and after every request; the stand-in ${kind}`,
    run: ({ folder, seed, most }) =>
      killed(() => worlds[kind](folder, false), join(repository, plans[kind]), folder, chance(seed), most),
  })),
  ...kinds.flatMap((kind) =>
    [false, true].map((inUse): Part => ({
      name: `faults, ${kind}${inUse ? ' in use' : ''}`,
      usual: 100,
      about: `one fault of ${faultKinds.length} kinds a run, at every request of ${inUse ? 'a later plan on a site that its owner and strangers have worked on' : 'the demo’s plan'}; the stand-in ${kind}`,
      run: ({ folder, seed, most }) => faults(() => worlds[kind](folder, inUse), seed, most),
    })),
  ),
  ...kinds.map((kind): Part => ({
    name: `readings, ${kind}`,
    usual: 140,
    about: readingsAbout(`the stand-in ${kind}`),
    run: ({ folder, seed, most }) => readings(() => worlds[kind](folder, false), chance(seed), most),
  })),
  {
    name: 'hostile sites',
    about:
      'servers that drip, never end, lie, nest, redirect and ask, each against survey, compare and settle, within 400 MiB',
    run: ({ folder, seed, most }) => hostileSites(folder, chance(seed), most),
  },
  {
    name: 'near-defaults',
    about: 'sites with one small change of their owner’s, and a plan that removes what shipped: the changed one stays',
    run: ({ folder, seed, most }) => nearDefaults(folder, chance(seed), most),
  },
  {
    name: 'bad files',
    about:
      'mutants of the demo’s plans, some with a password in a wrong place: each is read or refused, fast, and quotes none',
    usual: 5_000,
    run: ({ seed, most }) => badFiles(seed, Math.min(most, 20_000)),
  },
  {
    name: 'secrets',
    about:
      'whole runs with a password of quotes, umlauts, % and <, on sites that quote it: in nothing printed, written, or in the process list',
    run: ({ folder }) => secrets(folder),
  },
]

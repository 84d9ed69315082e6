import assert from 'node:assert/strict'
import { after, test } from 'node:test'
import { folder } from '../help/folders.js'
import { parts } from './parts.js'
import { isClean } from './tally.js'
import { closeWorlds } from './world.js'

/** How many runs of each part a sample takes; `npm run trust` takes them all. UNPACK_TRUST_SAMPLE multiplies them. */
const sizes: Record<string, number> = {
  'killed, blog': 2,
  'killed, forum': 2,
  'faults, blog': 3,
  'faults, blog in use': 3,
  'faults, forum': 3,
  'faults, forum in use': 4,
  'readings, blog': 12,
  'readings, forum': 12,
  'killed, content': 2,
  'faults, content': 3,
  'faults, content in use': 4,
  'readings, content': 12,
  'killed, shop': 2,
  'faults, shop': 3,
  'faults, shop in use': 4,
  'readings, shop': 12,
  'hostile sites': 6,
  'near-defaults': 12,
  'bad files': 200,
}
const times = Number(process.env.UNPACK_TRUST_SAMPLE ?? 1)

/** Tests a sample of the parts that are about a kind of site, or about none. */
export function sampleOf(kind: 'blog' | 'forum' | 'content' | 'shop' | 'any site'): void {
  const root = folder()
  after(closeWorlds)
  for (const { name, run } of parts) {
    const size = sizes[name]
    if (size === undefined || (/, (\w+)/.exec(name)?.[1] ?? 'any site') !== kind) continue
    test(`a sample of what is tried to break it: ${name}`, async () => {
      // another sample every day
      const seed = Math.floor(Date.now() / 86_400_000)
      const tally = await run({ folder: root, seed, most: size * times })
      assert.ok(isClean(tally), `seed ${seed}: ${tally.troubles.join('\n')}`)
      assert.ok(tally.runs > 0)
    })
  }
}

/**
 * Growth: Unpack's own time for settling so many planned items, with texts of 2 kB that all differ and links between them, on
 * a system in memory that answers at once. `npm run bench:growth [-- SIZE …]`.
 */
import assert from 'node:assert/strict'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { settle, type Baseline } from 'unpack'
import { planned } from '../test/help/plan.js'
import { ownFolders } from '../test/help/sites.js'
import { memorySite } from './memory-site.js'

const sizes = process.argv.slice(2).map(Number)
const SIZES = sizes.length > 0 ? sizes : [1_000, 10_000]
const MOST_GROWTH = 15
const BYTES = 2_000

/** A tenth of them categories, and as many pages as posts; ten pages stand below each other one. */
function plan(address: string, size: number): Baseline {
  const bodies: Record<string, string> = {}
  const body = (name: string): string => {
    bodies[name] = `<p>${`${name} at the quay, `.repeat(BYTES).slice(0, BYTES)}</p>`
    return name
  }
  const range = (count: number) => Array.from({ length: Math.ceil(count) }, (_, index) => index)
  const categories = range(size / 10).map((index) => ({ name: `C${index}`, slug: `c${index}` }))
  const page = (name: string) => ({ title: name, slug: name.toLowerCase(), body: body(name) })
  const pages = range((size * 0.45) / 10).map((top) => ({
    ...page(`P${top}`),
    under: range(9).map((index) => page(`P${top}-${index}`)),
  }))
  const posts = range(size * 0.45).map((index) => ({
    ...page(`N${index}`),
    categories: [`c${index % categories.length}`, `c${(index * 7) % categories.length}`],
  }))
  return { ...planned(address), categories, pages, posts, bodies }
}

const root = mkdtempSync(join(tmpdir(), 'unpack-growth-'))
const taken: { size: number; own: number }[] = []
for (const size of SIZES) {
  const site = await memorySite()
  const options = { ...(await ownFolders(root)), systems: [site.system], confirm: false }
  await options.logins.put(site.address, 'marlow', site.password)
  const baseline = plan(site.address, size)
  const cpu = process.cpuUsage()
  const done = await settle(baseline, options)
  const { user, system } = process.cpuUsage(cpu)
  const own = (user + system) / 1_000_000
  assert.deepEqual([done.failed, done.settled.length >= size], [[], true])
  taken.push({ size, own })
  const memory = process.resourceUsage().maxRSS / 1024
  process.stdout.write(`${size} items: ${own.toFixed(1)} s of Unpack’s own; peak memory ${memory.toFixed(0)} MiB\n`)
  await site.close()
}
rmSync(root, { recursive: true })
for (const [index, { size, own }] of taken.entries()) {
  const before = taken[index - 1]
  if (!before) continue
  const most = (MOST_GROWTH * size) / before.size / 10
  const growth = own / before.own
  process.stdout.write(`${before.size} → ${size}: ${growth.toFixed(1)} times (mark: ${most})\n`)
  if (growth > most) process.exitCode = 1
}

/**
 * Growth: as many posts, pages and categories each, settled on a real WordPress from the first-run form on: requests, wall
 * time, Unpack's own time, and peak memory. `npm run bench:growth-real`.
 */
import { mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import assert from 'node:assert/strict'
import { after, test } from 'node:test'
import { settle } from 'unpack'
import { labBlog } from '../test/help/lab.js'
import { planned } from '../test/help/plan.js'
import { ownFolders } from '../test/help/sites.js'

const SIZES = [10, 100, 1000]
const MOST_GROWTH = 13 // tenfold, and what a start costs

/** So many of each, categories three deep. */
function plan(address: string, size: number) {
  const names = Array.from({ length: size }, (_, index) => index)
  const categories = names
    .filter((index) => index % 10 === 0)
    .map((top) => {
      const below = names.slice(top + 1, top + 10).map((index) => `{ name: C${index}, slug: c${index} }`)
      return `  - { name: C${top}, slug: c${top}, under: [{ name: M${top}, slug: m${top}, under: [${below.join(', ')}] }] }`
    })
  const pages = names.map((index) => `  - { title: Page ${index}, slug: page-${index}, body: t.md }`)
  const posts = names.map(
    (index) => `  - { title: Post ${index}, slug: post-${index}, body: t.md, categories: [c${index}] }`,
  )
  const rest = `categories:\n${categories.join('\n')}\npages:\n${pages.join('\n')}\nposts:\n${posts.join('\n')}\n`
  return planned(address, rest, { 't.md': 'A few words *of text*, and [a link](https://tidepool.example/).\n' })
}

test('ten times as much takes ten times as long', async () => {
  const root = mkdtempSync(join(tmpdir(), 'unpack-growth-'))
  const blog = await labBlog('growth')
  after(() => {
    blog.stop()
  })
  const seen: { size: number; wall: number; own: number }[] = []
  for (const size of SIZES) {
    await blog.reset()
    const baseline = plan(blog.address, size)
    const cpu = process.cpuUsage()
    const began = performance.now()
    const done = await settle(baseline, { ...(await ownFolders(root)), confirm: false })
    const wall = (performance.now() - began) / 1000
    const { user, system } = process.cpuUsage(cpu)
    const own = (user + system) / 1_000_000
    assert.deepEqual(done.failed, [])
    const memory = process.resourceUsage().maxRSS / 1024
    process.stdout.write(
      `${size} each: ${done.requests} requests, ${done.writes} writes, ${wall.toFixed(1)} s, of which Unpack itself ${own.toFixed(1)} s; peak memory ${memory.toFixed(0)} MiB\n`,
    )
    seen.push({ size, wall, own })
  }
  const last = seen.at(-1)
  const before = seen.at(-2)
  assert.ok(last && before && last.wall / before.wall <= MOST_GROWTH && last.own / before.own <= MOST_GROWTH)
})

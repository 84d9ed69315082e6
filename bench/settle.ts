/**
 * Settle without confirm, from the first-run form, on a real WordPress: its requests, and its wall time as a ratio to the
 * same requests sent again by a bare client. Nine alternating pairs, each on a reset site; start-up, reading the file
 * and passphrase apart.
 */
import { mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { after, test } from 'node:test'
import assert from 'node:assert/strict'
import { settle, survey } from 'unpack'
import { demoBaseline } from '../test/help/demo.js'
import { labBlog, type LabBlog } from '../test/help/lab.js'
import { ownFolders } from '../test/help/sites.js'
import { fetchedTwice, median, recorder } from './measure.js'
import { replay, type Recorded } from './replay.js'

const PAIRS = 9
/** The least that this file takes, as docs/speed.md works it out. */
const LEAST_REQUESTS = 68
const MOST_RATIO = 1.15

async function timedSettle(blog: LabBlog, root: string): Promise<{ took: number; recorded: Recorded[] }> {
  const { recorded, watch } = recorder()
  const options = await ownFolders(root)
  const baseline = demoBaseline(blog.address)
  const began = performance.now()
  const done = await settle(baseline, { ...options, watch, confirm: false })
  const took = performance.now() - began
  assert.deepEqual(done.failed, [])
  return { took, recorded }
}

test('settle beside its own requests', async () => {
  const root = mkdtempSync(join(tmpdir(), 'unpack-bench-'))
  const blog = await labBlog('bench')
  after(() => {
    blog.stop()
  })
  const first = await survey(blog.address)
  await timedSettle(blog, root) // warms up
  const settled = await survey(blog.address)
  const ratios: number[] = []
  const times: number[][] = []
  let requests = 0
  for (let pair = 0; pair < PAIRS; pair += 1) {
    await blog.reset()
    await survey(blog.address) // the first request of a server that was just started is slow, for both
    const { took, recorded } = await timedSettle(blog, root)
    await blog.reset()
    await survey(blog.address)
    const bare = await replay(recorded)
    requests = recorded.length
    assert.deepEqual(fetchedTwice(recorded), [])
    ratios.push(took / bare)
    times.push([took, bare])
  }
  const say = (line: string) => process.stdout.write(`${line}\n`)
  say(
    `survey: ${first.requests} requests at the first-run form, ${settled.requests} on the settled blog (pass mark 12)`,
  )
  say(
    `settle without confirm: ${requests} requests, least ${LEAST_REQUESTS}: ${(requests / LEAST_REQUESTS).toFixed(3)} (pass mark ${MOST_RATIO})`,
  )
  for (const [took = 0, bare = 0] of times)
    say(`  settle ${took.toFixed(0)} ms, bare ${bare.toFixed(0)} ms, ratio ${(took / bare).toFixed(3)}`)
  say(`wall as a ratio to bare, median of ${PAIRS} pairs: ${median(ratios).toFixed(3)} (pass mark ${MOST_RATIO})`)
  say(`peak memory: ${(process.resourceUsage().maxRSS / 1024).toFixed(0)} MiB`)
  assert.ok(requests <= LEAST_REQUESTS * MOST_RATIO && first.requests <= 12 && settled.requests <= 12)
  assert.ok(median(ratios) <= MOST_RATIO)
})

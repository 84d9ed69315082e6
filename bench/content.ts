/**
 * Settle without confirm on a real Plone, from its first run on: 200 pages in 20 folders, two groups, three sorts of readers. Its
 * requests beside the least that this file takes, and its wall time as a ratio to the same requests sent again by a bare client,
 * in alternating pairs, each on a site made anew; and what a second run writes, counted at a server in front of it.
 */
import assert from 'node:assert/strict'
import { mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { test } from 'node:test'
import { builtIn, settle, survey } from 'unpack'
import { keepersLogin, labContent } from '../test/help/lab-content.js'
import { manyPages } from '../test/help/museum.js'
import { ownFolders } from '../test/help/sites.js'
import { fetchedTwice, median, recorder } from './measure.js'
import { replay, type Recorded } from './replay.js'

const PAIRS = Number(process.env.UNPACK_BENCH_PAIRS ?? 5)
/** The least that this file takes, as docs/speed.md works it out. */
const LEAST_REQUESTS = 405
const MOST = { requests: 1.15, wall: 1.1 }

test('200 pages beside their own requests', async () => {
  const root = mkdtempSync(join(tmpdir(), 'unpack-bench-'))
  const content = await labContent('bench')
  const address = content.next()
  const baseline = manyPages(address)
  const say = (line: string) => process.stdout.write(`${line}\n`)
  const timedSettle = async () => {
    const options = { ...(await ownFolders(root)), systems: builtIn, confirm: false }
    await keepersLogin(options.logins, address)
    const { recorded, watch } = recorder()
    const began = performance.now()
    const done = await settle(baseline, { ...options, watch })
    const took = performance.now() - began
    assert.deepEqual(done.failed, [])
    return { took, recorded, options }
  }
  const { options } = await timedSettle() // warms up
  const before = content.writes(address).length
  const again = await settle(baseline, options)
  assert.deepEqual(again.comparison.differences, [])
  const second = content.writes(address).slice(before)
  const ratios: number[] = []
  let requests: Recorded[] = []
  for (let pair = 0; pair < PAIRS; pair += 1) {
    await content.remove(address)
    await survey(address, { systems: builtIn })
    const { took, recorded } = await timedSettle()
    await content.remove(address)
    await survey(address, { systems: builtIn })
    const bare = await replay(recorded)
    requests = recorded
    assert.deepEqual(fetchedTwice(recorded), [])
    ratios.push(took / bare)
    say(`  settle ${took.toFixed(0)} ms, bare ${bare.toFixed(0)} ms, ratio ${(took / bare).toFixed(3)}`)
  }
  if (process.env.UNPACK_BENCH_LIST === '1')
    for (const { method, url } of requests) say(`${method} ${new URL(url).pathname}${new URL(url).search}`)
  const beside = requests.length / LEAST_REQUESTS
  say(`200 pages: ${requests.length} requests, least ${LEAST_REQUESTS}: ${beside.toFixed(3)} (mark ${MOST.requests})`)
  say(`wall as a ratio to bare, median of ${PAIRS} pairs: ${median(ratios).toFixed(3)} (mark ${MOST.wall})`)
  say(`the second run's writes: ${second.length === 0 ? 'none' : second.join(', ')}`)
  assert.ok(beside <= MOST.requests && median(ratios) <= MOST.wall && second.length === 0)
})

/**
 * Settle without confirm on a real Misago: 60 forums in 6 categories. Its requests beside the least that this file takes, and
 * its wall time as a ratio to the same requests sent again by a bare client, in alternating pairs, each on a reset forum.
 */
import assert from 'node:assert/strict'
import { mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { test } from 'node:test'
import { builtIn, settle, survey } from 'unpack'
import { hostsLogin, labForum, type LabForum } from '../test/help/lab-forum.js'
import { ownFolders } from '../test/help/sites.js'
import { manyForums } from '../test/help/watchers.js'
import { fetchedTwice, median, recorder } from './measure.js'
import { replay, type Recorded } from './replay.js'

const PAIRS = 5
/** The least that this file takes, as docs/speed.md works it out. */
const LEAST_REQUESTS = 129
const MOST = { requests: 1.3, wall: 1.2 }

/** The token of this system is the cookie's own value: what was sent as the old one is sent as the new one. */
const csrf = (text: string, cookies: ReadonlyMap<string, string>): string =>
  text.replace(/(csrfmiddlewaretoken=)[A-Za-z0-9]+/, `$1${cookies.get('csrftoken') ?? ''}`)

async function timedSettle(forum: LabForum, root: string): Promise<{ took: number; recorded: Recorded[] }> {
  const options = await ownFolders(root)
  await hostsLogin(options.logins, forum.address)
  const { recorded, watch } = recorder()
  const baseline = manyForums(forum.address, 6, 10)
  const began = performance.now()
  const done = await settle(baseline, { ...options, systems: builtIn, watch, confirm: false })
  const took = performance.now() - began
  assert.deepEqual(done.failed, [])
  return { took, recorded }
}

test('60 forums beside their own requests', async () => {
  const root = mkdtempSync(join(tmpdir(), 'unpack-bench-'))
  const forum = await labForum('bench')
  await timedSettle(forum, root) // warms up
  const ratios: number[] = []
  let requests: Recorded[] = []
  const say = (line: string) => process.stdout.write(`${line}\n`)
  for (let pair = 0; pair < PAIRS; pair += 1) {
    await forum.reset()
    await survey(forum.address, { systems: builtIn }) // the first request of a server that was just started is slow, for both
    const { took, recorded } = await timedSettle(forum, root)
    await forum.reset()
    await survey(forum.address, { systems: builtIn })
    const bare = await replay(recorded, csrf, { 'x-csrftoken': 'csrftoken' })
    requests = recorded
    assert.deepEqual(fetchedTwice(recorded), [])
    ratios.push(took / bare)
    say(`  settle ${took.toFixed(0)} ms, bare ${bare.toFixed(0)} ms, ratio ${(took / bare).toFixed(3)}`)
  }
  if (process.env.UNPACK_BENCH_LIST === '1')
    for (const { method, url } of requests) say(`${method} ${new URL(url).pathname}`)
  const beside = requests.length / LEAST_REQUESTS
  say(
    `60 forums: ${requests.length} requests, least ${LEAST_REQUESTS}: ${beside.toFixed(3)} (pass mark ${MOST.requests})`,
  )
  say(`wall as a ratio to bare, median of ${PAIRS} pairs: ${median(ratios).toFixed(3)} (pass mark ${MOST.wall})`)
  assert.ok(beside <= MOST.requests && median(ratios) <= MOST.wall)
})

/**
 * Settle without confirm on a real EverShop: 500 products with pictures in two categories. Its limit of requests is lifted for
 * this, by a server in front that names another address for each. Its requests beside the least that this file takes, and its wall
 * time as a ratio to the same requests sent again by a bare client, in alternating pairs, each on a fresh shop; and what a
 * second run writes, counted at the server in front.
 */
import assert from 'node:assert/strict'
import { mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { test } from 'node:test'
import { builtIn, Secret, settle } from 'unpack'
import { labShop, shopOwner } from '../test/help/lab-shop.js'
import { manyProducts } from '../test/help/seeds.js'
import { ownFolders } from '../test/help/sites.js'
import { median, recorder } from './measure.js'
import { replay, type Recorded } from './replay.js'

const PAIRS = Number(process.env.UNPACK_BENCH_PAIRS ?? 5)
const PRODUCTS = 500
/** The least that this file takes, as docs/speed.md works it out. */
const LEAST_REQUESTS = 545
const MOST = { requests: 1.1, wall: 1.1, limited: 1.1 }
/** Calls of its dashboard's interface that it takes in a minute, and how long that window is in milliseconds. */
const LIMIT = { calls: 120, window: 60_000 }
/** The smallest picture there is. */
const pixel = Uint8Array.from(
  atob('iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNkYPhfDwAChwGA60e6kgAAAABJRU5ErkJggg=='),
  (letter) => letter.charCodeAt(0),
)

test('500 products beside their own requests', async () => {
  const root = mkdtempSync(join(tmpdir(), 'unpack-bench-'))
  const shop = await labShop('bench')
  const many = manyProducts(shop.address, PRODUCTS, pixel)
  const baseline = { ...many, owner: { ...many.owner, email: shopOwner.email } }
  const say = (line: string) => process.stdout.write(`${line}\n`)
  const timedSettle = async () => {
    const options = { ...(await ownFolders(root)), systems: builtIn, confirm: false }
    await options.logins.put(shop.address, shopOwner.username, new Secret(shopOwner.password))
    const { recorded, watch } = recorder()
    const began = performance.now()
    const done = await settle(baseline, { ...options, watch })
    const took = performance.now() - began
    assert.deepEqual(done.failed, [])
    return { took, recorded, options }
  }
  const { options } = await timedSettle() // warms up
  const before = shop.writes().length
  const again = await settle(baseline, options)
  assert.deepEqual(again.comparison.differences, [])
  const second = shop.writes().slice(before)
  const ratios: number[] = []
  let requests: Recorded[] = []
  for (let pair = 0; pair < PAIRS; pair += 1) {
    await shop.reset()
    const { took, recorded } = await timedSettle()
    await shop.reset()
    const bare = await replay(recorded)
    requests = recorded
    ratios.push(took / bare)
    say(`  settle ${took.toFixed(0)} ms, bare ${bare.toFixed(0)} ms, ratio ${(took / bare).toFixed(3)}`)
  }
  // with its limit as it comes: so many windows have to pass, whoever sends this
  await shop.reset()
  shop.limits(true)
  const limited = await timedSettle()
  shop.limits(false)
  const calls = limited.recorded.filter(({ url }) => new URL(url).pathname.startsWith('/api/')).length
  const dictated = Math.floor((calls - 1) / LIMIT.calls) * LIMIT.window
  const overLimit = limited.took / dictated
  say(
    `with its limit: ${calls} calls, ${(limited.took / 1000).toFixed(0)} s; the limit dictates ${dictated / 1000} s: ${overLimit.toFixed(3)} (mark ${MOST.limited})`,
  )
  if (process.env.UNPACK_BENCH_LIST === '1')
    for (const { method, url } of requests) say(`${method} ${new URL(url).pathname}`)
  const beside = requests.length / LEAST_REQUESTS
  say(
    `${PRODUCTS} products: ${requests.length} requests, least ${LEAST_REQUESTS}: ${beside.toFixed(3)} (mark ${MOST.requests})`,
  )
  say(`wall as a ratio to bare, median of ${PAIRS} pairs: ${median(ratios).toFixed(3)} (mark ${MOST.wall})`)
  say(`the second run's writes: ${second.length === 0 ? 'none' : second.join(', ')}`)
  assert.ok(beside <= MOST.requests && median(ratios) <= MOST.wall && second.length === 0)
  assert.ok(overLimit <= MOST.limited)
})

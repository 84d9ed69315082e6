/**
 * Many sites in one process: fifty stand-in blogs settled from the demo’s plan one after another, then eight at once, and what
 * memory is still held afterwards. `npm run bench:many`.
 */
import assert from 'node:assert/strict'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { setTimeout as wait } from 'node:timers/promises'
import { settle } from 'unpack'
import { demoBaseline } from '../test/help/demo.js'
import { runningStandIn } from '../test/help/sites.js'

const SITES = 50
const EARLY = 10
const AT_ONCE = 8
const MOST_GROWTH = 1.1

const root = mkdtempSync(join(tmpdir(), 'unpack-many-'))

async function oneSite(): Promise<void> {
  const standIn = await runningStandIn(root, { standing: 'first-run' })
  try {
    const { failed } = await settle(demoBaseline(standIn.address), { ...standIn.options, confirm: false })
    assert.deepEqual(failed, [])
  } finally {
    await standIn.close()
  }
}

/** Mebibytes that are held after collection. */
async function held(): Promise<number> {
  assert.ok(globalThis.gc, 'run with --expose-gc')
  // connections that were closed end in their own time
  for (let round = 0; round < 5; round += 1) {
    await wait(100)
    globalThis.gc()
  }
  return process.memoryUsage().heapUsed / 1024 / 1024
}

let early = 0
const began = performance.now()
for (let site = 1; site <= SITES; site += 1) {
  await oneSite()
  if (site !== EARLY && site !== SITES) continue
  const now = await held()
  process.stdout.write(`after site ${site}: ${now.toFixed(1)} MiB held\n`)
  if (site === EARLY) early = now
  else assert.ok(now / early <= MOST_GROWTH, `grown ${(now / early).toFixed(2)}-fold since site ${EARLY}`)
}
process.stdout.write(`${SITES} one after another: ${((performance.now() - began) / SITES / 1000).toFixed(2)} s each\n`)

const together = performance.now()
for (let round = 0; round < 2; round += 1) await Promise.all(Array.from({ length: AT_ONCE }, () => oneSite()))
const after = await held()
process.stdout.write(
  `${AT_ONCE} at once, twice: ${((performance.now() - together) / 2000).toFixed(1)} s; ${after.toFixed(1)} MiB held\n`,
)
assert.ok(after / early <= MOST_GROWTH, `grown ${(after / early).toFixed(2)}-fold`)
rmSync(root, { recursive: true })

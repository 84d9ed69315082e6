import assert from 'node:assert/strict'
import { test } from 'node:test'
import { kinds } from './kinds.js'
import { live } from './run.js'

/** Milliseconds of lives a kind. `npm run lives` lives many more. */
const EACH = 4_000
// a seed does the same on every day; another one is tried by hand
const seed = Number(process.env.UNPACK_LIVES_SEED ?? 1)

for (const [kind, make] of Object.entries(kinds))
  test(`lives on a stand-in ${kind}, from seed ${seed} on: nothing of anybody’s is lost, opened or kept`, async () => {
    const { lives, wrong } = await live(make, seed, Infinity, EACH)
    assert.equal(wrong, undefined, `seed ${seed}, life ${lives}:\n${wrong?.steps ?? ''}\n${wrong?.story ?? ''}`)
    assert.ok(lives > 0)
  })

import assert from 'node:assert/strict'
import { test } from 'node:test'
import { kinds } from './kinds.js'
import { applied, mutations } from './mutation-list.js'
import { live } from './run.js'

/** Lives of each kind: about 15 seconds together. `npm run lives` runs many more. */
const EACH = 3
// a seed does the same on every day and machine; try another one by hand
const seed = Number(process.env.UNPACK_LIVES_SEED ?? 1)

for (const [kind, make] of Object.entries(kinds))
  test(`${EACH} lives on a stand-in ${kind}, seed ${seed}: nothing of a person’s is lost, opened or kept in a record`, async () => {
    const { lives, wrong } = await live(make, seed, EACH)
    assert.equal(wrong, undefined, `seed ${seed}, life ${lives}:\n${wrong?.steps ?? ''}\n${wrong?.story ?? ''}`)
    assert.equal(lives, EACH)
  })

test('every fix that `npm run lives:mutations` takes out is still there', () => {
  for (const { edits } of mutations) for (const edit of edits) assert.notEqual(applied(edit), '')
})

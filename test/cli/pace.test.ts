import assert from 'node:assert/strict'
import { test } from 'node:test'
import { Pace } from '../../src/cli/show/pace.js'

test('progress tells what is left by the pace so far, waits and all', () => {
  let now = 0
  const pace = new Pace(() => now)
  assert.equal(pace.left(40), '', 'nothing is begun')
  pace.begin(500)
  assert.equal(pace.left(40), '', 'nothing is known yet')
  now = 20_000
  pace.did(120)
  // 120 in a minute: 380 more take three and a bit
  assert.equal(pace.left(40), ' (120 of 500 changes made, about 3 min left)')
  now = 200_000
  pace.did(360)
  assert.equal(pace.left(40), ' (480 of 500 changes made, about 40 s left)')
  pace.did(20)
  assert.equal(pace.left(40), '')
})

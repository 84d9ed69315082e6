import assert from 'node:assert/strict'
import { test } from 'node:test'
import { faultKinds } from '../../stand-ins/faults/fault.js'
import { formsOf } from '../../src/logins/guard.js'
import { hostile } from './hostile-servers.js'
import { nearDefaultCount } from './near-defaults.js'
import { sampleOf } from './sample.js'

sampleOf('any site')

test('there is enough to try: sixty hostile sites, two hundred near-defaults, every kind of fault, every way to write a secret', () => {
  assert.ok(hostile.length >= 60, String(hostile.length))
  assert.ok(nearDefaultCount() >= 200, String(nearDefaultCount()))
  assert.equal(new Set(faultKinds).size, 18)
  assert.ok(formsOf('Tide"pool\'Ün%41&<sand>').length >= 12)
})

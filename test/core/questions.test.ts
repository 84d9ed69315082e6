import assert from 'node:assert/strict'
import { test } from 'node:test'
import { questions } from 'unpack'
import { schemaAt } from '../../src/core/baseline/schema-walk.js'
import { baselineJsonSchema } from '../../src/core/baseline/schema.js'

test('every question asks for a key of the file, once, in plain words; no key of the file is left out', () => {
  const keys = questions.map(({ key }) => key)
  assert.equal(new Set(keys).size, keys.length)
  for (const { key, ask } of questions) {
    assert.ok(Object.keys(schemaAt(key.split('.'))).length > 0, key)
    assert.match(ask, /^\p{Lu}.*\?$/u)
  }
  const { properties = {} } = baselineJsonSchema() as { properties?: object }
  const asked = new Set(keys.map((key) => key.split('.')[0]))
  // the format's version, and what only somebody who knows the file asks for
  const unasked = Object.keys(properties).filter((key) => !asked.has(key))
  assert.deepEqual(unasked.sort(), ['checks', 'leave', 'only', 'unpack'])
})

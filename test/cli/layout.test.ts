import assert from 'node:assert/strict'
import { test } from 'node:test'
import stringWidth from 'string-width'
import { padded, row, wrap } from '../../src/cli/show/layout.js'

test('lines are as wide as a terminal shows them: some signs take two columns, some none', () => {
  assert.equal(padded('東京', 6), '東京  ')
  assert.equal(padded('cafe\u0301', 6), 'cafe\u0301  ')
  const lines = wrap('潮だまりを見る会 '.repeat(20).trim(), 10)
  assert.ok(lines.length > 1 && lines.every((line) => stringWidth(line) <= 110))
  assert.deepEqual(
    row('goes', 'the post', 6, (text) => text),
    ['  goes  the post'],
  )
})

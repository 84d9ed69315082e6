import assert from 'node:assert/strict'
import { test } from 'node:test'
import { isClosedToRobots } from '../../src/web/robots.js'

const closed = (text: string, address = 'http://127.0.0.1:4101/'): boolean =>
  isClosedToRobots({ url: 'http://127.0.0.1:4101/robots.txt', text }, address)

test('a robots.txt closes an address to everybody, or it does not', () => {
  assert.ok(closed('User-agent: *\nDisallow: /\n'))
  assert.ok(closed('User-agent: gull\nUser-agent: *\nDisallow: / # all of it\n'))
  assert.ok(!closed(''))
  assert.ok(!closed('User-agent: *\nDisallow:\n'))
  assert.ok(!closed('User-agent: gull\nDisallow: /\n'))
  assert.ok(!closed('User-agent: *\nDisallow: /\nAllow: /$\n'))
  assert.ok(!closed('User-agent: *\nDisallow: /office/\n'))
  assert.ok(closed('User-agent: *\nDisallow: /blog/\n', 'http://127.0.0.1:4101/blog/'))
})

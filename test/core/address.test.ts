import assert from 'node:assert/strict'
import { test } from 'node:test'
import { addressText, isThisMachine, parseAddress, placeOn, type SiteAddress } from 'unpack'
import { addressKey, isOn, recordKey } from '../../src/core/address.js'

const at = (text: string): SiteAddress => parseAddress(text) ?? assert.fail(text)

test('an address is a host and a base folder, kept apart', () => {
  assert.deepEqual(parseAddress('HTTP://LocalHost:4103/blog'), { origin: 'http://localhost:4103', base: '/blog/' })
  assert.equal(addressText(at('https://repair.example')), 'https://repair.example/')
  for (const none of [
    '',
    'repair.example',
    'ftp://x/',
    'http://',
    'http://a:b@x/',
    'http://x/?a',
    'http://x/#a',
    'javascript:alert(1)',
  ])
    assert.equal(parseAddress(none), null, none)
})

test('a place is counted from the base folder, and never leaves the host by itself', () => {
  const blog = at('http://127.0.0.1:4101/blog/')
  assert.equal(placeOn(blog, '/visit/'), 'http://127.0.0.1:4101/blog/visit/')
  assert.equal(placeOn(blog, '?p=1'), 'http://127.0.0.1:4101/blog/?p=1')
  assert.equal(placeOn(blog, '//evil.example/'), 'http://127.0.0.1:4101/blog/evil.example/')
  assert.ok(isOn(blog, 'http://127.0.0.1:4101/blog') && isOn(blog, 'http://127.0.0.1:4101/blog/a'))
  assert.ok(
    !isOn(blog, 'http://127.0.0.1:4101/blogger/') && !isOn(blog, 'http://127.0.0.1:4102/blog/') && !isOn(blog, 'x'),
  )
})

test('names of folders tell sites apart', () => {
  const names = ['http://a.example/', 'https://a.example/', 'http://a.example:8080/', 'http://a.example/blog/'].map(
    (text) => addressKey(at(text)),
  )
  assert.equal(new Set(names).size, 4)
  assert.deepEqual(names[3], 'http_a.example_blog')
  assert.equal(recordKey(at('http://127.0.0.1:4101/blog/')), '127.0.0.1_4101_blog')
})

test('this very machine', () => {
  for (const here of [
    'http://localhost/',
    'http://127.0.0.1:1/',
    'http://127.9.9.9/',
    'http://[::1]:80/',
    'http://blog.localhost/',
  ])
    assert.ok(isThisMachine(at(here)), here)
  for (const far of [
    'http://repair.example/',
    'http://10.0.0.1/',
    'http://localhost.example/',
    'http://127.0.0.1.example/',
  ])
    assert.ok(!isThisMachine(at(far)), far)
})

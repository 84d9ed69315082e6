import assert from 'node:assert/strict'
import { test } from 'node:test'
import { compare, inventoryOf, originOf, provenIn } from 'unpack'
import { planned } from '../help/plan.js'

/* What came in a site's first minutes, and versions that nobody has tried. */

const early = { place: false, untouched: true, known: false, early: true }

test('what came in the first minutes is neither shipped nor somebody’s; once it was touched it is', () => {
  assert.equal(originOf(early), 'came in the first minutes')
  assert.equal(originOf({ ...early, place: true }), 'came in the first minutes')
  assert.equal(originOf({ ...early, place: true, known: true }), 'shipped')
  assert.equal(originOf({ ...early, place: true, untouched: false }), 'shipped, edited')
  assert.equal(originOf({ place: false, untouched: false, known: false }), "somebody's")
})

const welcome = {
  id: 7,
  item: { title: 'Welcome', slug: 'welcome', body: '<p>Hello</p>', state: 'published' as const, parent: '' },
}
const site = (more: string) => planned('http://quay.example/', more)

test('it makes no site in use, is kept and reported, and goes only where its owner says so', () => {
  const inventory = inventoryOf({ pages: [{ ...welcome, marks: early }] })
  const kept = compare(site('shipped: remove'), inventory)
  assert.deepEqual(
    [kept.others, kept.early, kept.kept.map(({ ref }) => ref)],
    [[], ['pages/welcome'], ['pages/welcome']],
  )
  assert.ok(kept.differences.every(({ ref }) => ref !== 'pages/welcome'))
  const gone = compare(site('shipped: remove'), inventory, { unwanted: (ref) => ref === 'pages/welcome' })
  assert.deepEqual(
    gone.differences.filter(({ ref }) => ref === 'pages/welcome').map(({ is }) => is),
    ['left over'],
  )
})

test('nothing takes it over, and where a page of that name is planned it is left alone', () => {
  const inventory = inventoryOf({ pages: [{ ...welcome, marks: early }] })
  const { differences } = compare(site('pages: [{ title: Home, slug: home, replaces: shipped }]'), inventory)
  assert.deepEqual(
    differences.filter(({ area }) => area === 'pages').map(({ ref, is }) => `${is} ${ref}`),
    ['missing pages/home'],
  )
  const named = compare(
    planned('http://quay.example/', 'pages: [{ title: Welcome, slug: welcome, body: x.md }]', { 'x.md': 'Ours.' }),
    inventory,
  )
  assert.match(
    named.byHand[0]?.text ?? '',
    /came in the site's first minutes.*it stands under this name and is left alone/,
  )
  assert.ok(named.differences.every(({ ref }) => ref !== 'pages/welcome'))
})

test('a version of a line that was tried goes on, and says what was tried; another line does not', () => {
  assert.deepEqual(provenIn('7.1.4', ['6.1', '7.1']), { proven: true })
  assert.deepEqual(provenIn('7.2', ['6.1', '6.8', '7.1']), { proven: true, tried: '7.1' })
  assert.deepEqual(provenIn('6.15', ['6.1', '6.8']), { proven: true, tried: '6.1, 6.8' })
  assert.deepEqual(provenIn('8.0', ['6.1', '7.1']), { proven: false, tried: '6.1, 7.1' })
  assert.deepEqual(provenIn('', ['6.1']), { proven: false, tried: '6.1' })
})

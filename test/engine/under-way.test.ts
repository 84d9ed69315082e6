import assert from 'node:assert/strict'
import { appendFileSync, existsSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { test } from 'node:test'
import { bodyDigest, inventoryOf, itemDigest } from 'unpack'
import { areaOf } from '../../src/core/areas/index.js'
import { isAsLeft, isExactlyLeft } from '../../src/core/comparing/left.js'
import { arrivedIn } from '../../src/engine/arrived.js'
import { emptyState, withLeft } from '../../src/engine/state-file.js'
import { State } from '../../src/engine/state.js'
import { UnderWay } from '../../src/engine/under-way.js'
import { folder } from '../help/folders.js'

const root = folder()
const intent = { area: 'pages', ref: 'pages/visit', wanted: { title: 'Visit us' } }

test('what a run was about to write is known again, and what it made by its number alone', async () => {
  const file = join(root, 'known.jsonl')
  const before = await UnderWay.in(file)
  assert.ok(before.isEmpty)
  await before.add({ intents: [intent, { ...intent, ref: 'pages/tools' }] })
  await before.add({ made: [{ area: 'pages', id: '7', ref: 'pages/tools' }] })
  const after = await UnderWay.in(file)
  const both = [intent, { ...intent, ref: 'pages/tools' }]
  assert.deepEqual([after.intents, after.made], [both, [{ area: 'pages', id: '7', ref: 'pages/tools' }]])
  await after.clear()
  assert.ok(!existsSync(file) && (await UnderWay.in(file)).isEmpty)
})

test('a last line that was cut off with its run is none, and does not spoil the next', async () => {
  const file = join(root, 'cut.jsonl')
  await (await UnderWay.in(file)).add({ intents: [intent] })
  appendFileSync(file, '{"underWay":1,"made":[{"area":"pa')
  const next = await UnderWay.in(file)
  assert.deepEqual([next.intents, next.made, next.isDamaged], [[intent], [], false])
  await next.add({ made: [{ area: 'pages', id: '8', ref: 'pages/visit' }] })
  assert.deepEqual((await UnderWay.in(file)).made, [{ area: 'pages', id: '8', ref: 'pages/visit' }])
})

test('lines that nobody can read are told, and kept as soon as something new is remembered', async () => {
  const address = { origin: 'http://127.0.0.1:4101', base: '/' }
  const first = await State.of(address, root)
  const lock = await first.lock()
  await first.intend([intent])
  await lock.end()
  const file = join(first.folder, 'under-way.jsonl')
  const whole = readFileSync(file, 'utf8')
  writeFileSync(file, `not a line\n${whole}`)
  const second = await State.of(address, root)
  assert.deepEqual([second.told.length, second.underWay.intents], [1, [intent]])
  const again = await second.lock()
  const [, kept = ''] = /kept as (\S+) as soon/.exec(second.told[0] ?? '') ?? []
  await second.intend([intent])
  await again.end()
  assert.equal(readFileSync(kept, 'utf8'), `not a line\n${whole}`)
})

test('of another site it counts no more, also for a run that only reads', async () => {
  const address = { origin: 'http://127.0.0.1:4102', base: '/' }
  const first = await State.of(address, root)
  const lock = await first.lock()
  await first.intend([intent])
  await first.make([{ area: 'pages', id: '9', ref: 'pages/tools' }])
  await lock.end()
  const reader = await State.of(address, root)
  assert.equal(reader.underWay.made.length, 1)
  await reader.forget()
  assert.deepEqual(reader.underWay, { intents: [], made: [] })
  // what it may not write stays for the run that may
  assert.equal((await State.of(address, root)).underWay.intents.length, 1)
})

test('what a version left that remembered texts and a few keys alone is known again, texts as far as they matter', () => {
  const area = areaOf('pages')
  const before = {
    ...emptyState('http://127.0.0.1/'),
    digests: {
      'pages/visit': bodyDigest('<p>The tide is out.</p>'),
      'pages/visit#stood': 'x',
      'products/S#price': itemDigest('2.40'),
    },
  }
  const { left } = withLeft(before)
  assert.deepEqual(Object.keys(left), ['pages/visit', 'products/S'])
  const mark = left['pages/visit']?.body ?? ''
  assert.ok(isAsLeft(area, 'body', mark, '<div><p>The tide is out.</p></div>'))
  assert.ok(!isAsLeft(area, 'body', mark, '<p>The tide is in.</p>'))
  assert.ok(!isExactlyLeft(area, 'body', mark, '<p>The tide is out.</p>'))
  assert.ok(isExactlyLeft(areaOf('products'), 'price', left['products/S']?.price ?? '', '2.40'))
})

test('what the site refused to make is not expected any more, also by the next run', async () => {
  const address = { origin: 'http://127.0.0.1:4103', base: '/' }
  const first = await State.of(address, root)
  const lock = await first.lock()
  await first.intend([intent, { ...intent, ref: 'pages/tools' }])
  await first.dropIntents(['pages/visit'])
  await lock.end()
  const { underWay } = await State.of(address, root)
  assert.deepEqual(
    underWay.intents.map(({ ref }) => ref),
    ['pages/tools'],
  )
})

test('a page with a text is not the one that a killed run was about to make without any', () => {
  const underWay = { intents: [intent], made: [] }
  const pageWith = (body: string) =>
    inventoryOf({
      pages: [{ id: 1, item: { title: 'Visit us', slug: 'visit', body, state: 'published', parent: '' } }],
    })
  assert.equal(arrivedIn(pageWith(''), underWay, true).owned.length, 1)
  assert.deepEqual(arrivedIn(pageWith('<p>Mine.</p>'), underWay, true).owned, [])
})

const made = [{ area: 'pages', id: '1', ref: 'pages/visit' }]
const page = (state: 'draft' | 'published') =>
  inventoryOf({ pages: [{ id: 1, item: { title: 'Visit us', slug: 'visit', body: '', state, parent: '' } }] })

test('a page that a killed run made and somebody has opened since counts as opened by them; one that is closed yet does not', () => {
  const planned = (state: string) => ({ intents: [{ ...intent, wanted: { title: 'Visit us', state } }], made })
  const marks = (found: 'draft' | 'published', wanted: string) =>
    Object.keys(arrivedIn(page(found), planned(wanted), true).left['pages/visit'] ?? {})
  assert.deepEqual(marks('published', 'draft'), ['title', 'state'])
  assert.deepEqual(marks('draft', 'published'), ['title'])
})

test('of an item that a killed run made anew, nothing counts that is remembered of the one before', async () => {
  const state = await State.of({ origin: 'http://127.0.0.1:4105', base: '/' }, root)
  await state.leave({ 'pages/visit': { state: 'of-the-page-before', title: 'of-the-page-before' } })
  const { left, anew } = arrivedIn(page('draft'), { intents: [intent], made }, true)
  await state.leave(left, anew)
  assert.deepEqual(Object.keys(state.left('pages/visit') ?? {}), ['title'])
  // what this run itself has remembered since it sent the item stays
  assert.equal(arrivedIn(page('draft'), { intents: [intent], made }, false).anew.size, 0)
})

import assert from 'node:assert/strict'
import { test } from 'node:test'
import { areas, compare, inventoryOf, mistakesIn } from 'unpack/core'
import { planned } from '../help/plan.js'

const address = 'http://127.0.0.1/museum/'
const groups = 'groups: [{ name: Volunteers }, { name: Keepers }]'
const told = (rest: string): string[] =>
  mistakesIn(`unpack: 1\nsite: { address: "${address}" }\nowner: { username: marlow }\n${rest}`).map(
    ({ path, what }) => `${path}: ${what}`,
  )

test('who may read holds for all below, and a page can be for fewer of them alone', () => {
  const baseline = planned(
    address,
    `${groups}
pages:
  - title: Rota
    slug: rota
    for: [Volunteers]
    may: { edit: [Keepers] }
    under: [{ title: Weeks, slug: weeks }, { title: Next, slug: next, state: draft }]
  - { title: Visit, slug: visit }`,
  )
  assert.deepEqual(
    areas.pages.plan(baseline).map(({ item }) => [item.slug, item.state, item.for, item['may.edit']]),
    [
      ['rota', 'published', ['Volunteers'], ['Keepers']],
      ['weeks', 'published', ['Volunteers'], ['Keepers']],
      ['next', 'draft', undefined, ['Keepers']],
      ['visit', 'published', ['everyone'], undefined],
    ],
  )
  assert.deepEqual(
    told(`${groups}\npages: [{ title: A, slug: a, for: members, under: [{ title: B, slug: b, for: everyone }] }]`),
    ['pages[0].under[0].for: not all of these may read what it stands under'],
  )
  assert.deepEqual(told('pages: [{ title: A, slug: a, state: draft, under: [{ title: B, slug: b }] }]'), [
    'pages[0].under[0].slug: it stands under a draft, where nobody finds it',
  ])
  assert.deepEqual(told('pages: [{ title: A, slug: a, for: [Nobody] }]'), [
    'pages[0].for[0]: no group of this file has that name',
  ])
  assert.deepEqual(told('events: [{ title: A, slug: a, start: 2026-06-13T11:00, end: 2026-06-13T10:00 }]'), [
    'events[0].end: it ends before it begins',
  ])
})

test('an upload is as closed as the most open page that shows it', () => {
  const picture = new Uint8Array([1, 2, 3])
  const seen = (open: string, closed: string) => {
    const files = { 'a.md': open, 'b.md': closed, 'x.png': picture }
    const pages = `pages: [{ title: A, slug: a, body: a.md }, { title: B, slug: b, body: b.md, for: [Volunteers] }]`
    return areas.media.plan(planned(address, `${groups}\n${pages}`, files)).map(({ item }) => item.for)
  }
  assert.deepEqual(seen('No picture.', '![x](x.png)'), [['Volunteers']])
  assert.deepEqual(seen('![x](x.png)', '![x](x.png)'), [['everyone']])
  const draft = planned(address, 'pages: [{ title: A, slug: a, body: a.md, state: draft }]', {
    'a.md': '![x](x.png)',
    'x.png': picture,
  })
  assert.deepEqual(
    areas.media.plan(draft).map(({ item }) => item.for),
    [[]],
  )
})

test('where a system can’t close pages, one that is not for everybody is left alone and told; others are as ever', () => {
  const baseline = planned(
    address,
    `${groups}\npages: [{ title: Rota, slug: rota, for: [Volunteers] }, { title: Visit, slug: visit }]`,
  )
  const without = { can: (_area: string, key: string) => (key === 'for' ? ('none' as const) : ('can' as const)) }
  const result = compare(baseline, inventoryOf({ pages: [] }), without)
  assert.deepEqual(
    result.differences.map(({ ref }) => ref),
    ['pages/visit'],
  )
  assert.match(result.never.find(({ ref }) => ref === 'pages/rota')?.text ?? '', /left alone/)
  assert.deepEqual(
    result.notHere.map(({ ref }) => ref),
    ['pages/rota'],
  )
})

import assert from 'node:assert/strict'
import { test } from 'node:test'
import { areaOf } from '../../src/core/areas/index.js'
import { markOf } from '../../src/core/comparing/left.js'
import { compare, differenceText, inventoryOf, readBaseline, type Baseline, type Marks, type Reading } from 'unpack'

const shipped: Marks = { place: true, untouched: true, known: true }
const edited: Marks = { place: true, untouched: false, known: false }
const own: Marks = { place: false, untouched: false, known: false }

const baseline = (rest = '', files = {}): Baseline =>
  readBaseline(
    `unpack: 1\nsite: { address: "http://127.0.0.1/", title: Tidepool }\nowner: { username: marlow }\n${rest}`,
    files,
  ).baseline
const stock = (more: Reading = {}): Reading => ({
  site: [{ id: 1, item: { title: 'Tidepool' } }],
  owner: [{ id: 1, item: { username: 'marlow', password: 'own' } }],
  categories: [
    { id: 1, item: { name: 'Any', slug: 'any', description: '', parent: '' }, marks: { ...shipped, needed: true } },
  ],
  pages: [
    { id: 2, item: { title: 'Sample', slug: 'sample', body: '<p>s</p>', state: 'published' }, marks: shipped },
    { id: 3, item: { title: 'Draft', slug: 'draft', state: 'draft' }, marks: { ...shipped, hidden: true } },
  ],
  posts: [{ id: 1, item: { title: 'First', slug: 'first' }, marks: shipped }],
  comments: [{ id: 1, item: { key: '1', by: 'x', on: 'posts/first' }, marks: shipped }],
  ...more,
})
const lines = (plan: Baseline, more: Reading = {}, options = {}) => compare(plan, inventoryOf(stock(more)), options)
const refs = (list: readonly { ref: string; is?: string }[]) =>
  list.map(({ ref, is }) => (is === undefined ? ref : `${is} ${ref}`))

test('a site as planned has no differences', () => assert.deepEqual(lines(baseline()).differences, []))

test('what shipped goes when the file says so; its comment falls with it; what the system needs stays', () => {
  const { differences, kept } = lines(baseline('shipped: remove'))
  assert.deepEqual(refs(differences), [
    'left over pages/sample',
    'left over pages/draft',
    'left over posts/first',
    'left over comments/1',
  ])
  const comment = differences.at(-1)
  assert.equal(comment?.is === 'left over' && comment.fallsWith, 'posts/first')
  assert.deepEqual(refs(kept), ['categories/any'])
})

test('one that goes from below another of its name is told with its place', () => {
  const pages = [
    { id: 4, item: { title: 'Tides', slug: 'tides' }, marks: shipped },
    { id: 5, item: { title: 'Tides', slug: 'list', parent: 'pages/tides' }, marks: shipped },
  ]
  assert.deepEqual(
    lines(baseline('shipped: { pages: remove }'), { pages }).differences.map((one) => differenceText(one)),
    ['the page “Tides”', 'the page “Tides” at tides/list'].map(
      (what) => `${what} goes: it shipped with the system, and nobody touched it`,
    ),
  )
})

test('area by area', () =>
  assert.deepEqual(refs(lines(baseline('shipped: { pages: remove }')).differences), [
    'left over pages/sample',
    'left over pages/draft',
  ]))

test('a page takes over the first shipped page that a visitor can see', () => {
  const { differences, notes } = lines(baseline('pages: [{ title: Home, slug: home, replaces: shipped }]'))
  assert.deepEqual(refs(differences), ['different pages/home'])
  assert.equal(
    differences[0] && differenceText(differences[0]),
    'the page “Sample”: title “Sample” → “Home”, slug “sample” → “home”, order nothing → “1”',
  )
  assert.deepEqual(notes, [])
})

test('what shipped within it goes with what shipped; it stays where the file has no word of that, and on a site in use', () => {
  const home = 'pages: [{ title: Home, slug: home, replaces: shipped }]'
  const emptied = (text: string, more: Reading = {}) => {
    const [difference] = lines(baseline(text), more).differences
    return difference?.is === 'different' && difference.fields.includes('body' as never)
  }
  const theirs = { id: 9, item: { title: 'Rota', slug: 'rota' }, marks: own }
  assert.deepEqual(
    [
      emptied(home),
      emptied(`shipped: remove\n${home}`),
      emptied(`shipped: { posts: remove }\n${home}`),
      emptied(`shipped: remove\n${home}`, { pages: [...(stock().pages ?? []), theirs] }),
    ],
    [false, true, false, false],
  )
})

test('if that was edited or is gone, a new one is made, and this is said', () => {
  for (const pages of [
    [],
    [{ id: 2, item: { title: 'S', slug: 'sample', state: 'published' as const }, marks: edited }],
  ]) {
    const { differences, notes, kept, others } = lines(
      baseline('pages: [{ title: Home, slug: home, replaces: shipped }]'),
      { pages },
    )
    assert.deepEqual(refs(differences), ['missing pages/home'])
    assert.match(notes[0]?.text ?? '', /made new: what shipped in its place was edited or is gone/)
    assert.equal(kept.length, pages.length)
    assert.deepEqual(others, [])
  }
})

test('known by place alone it came in the first minutes: kept, and no site in use', () => {
  const { differences, kept, others } = lines(baseline('shipped: { posts: remove }'), {
    posts: [{ id: 1, item: { title: 'F', slug: 'f' }, marks: { place: true, untouched: true, known: false } }],
  })
  assert.deepEqual([refs(differences), refs(kept), others], [[], ['posts/f'], []])
})

test('any item of somebody’s own makes it a site in use; then what shipped stays, and nothing is taken over', () => {
  const own_ = { id: 9, item: { name: 'boat' } }
  for (const [area, reading] of Object.entries({
    media: [own_],
    menus: [{ id: 9, item: { place: 'side', entries: [] } }],
    tags: [{ id: 9, item: { name: 'a', slug: 'a' } }],
    members: [{ id: 9, item: { username: 'odo' } }],
    posts: [{ id: 9, item: { title: 'o', slug: 'o' }, marks: own }],
    pages: [{ id: 9, item: { title: 'o', slug: 'o' }, marks: { ...own, hidden: true } }, ...(stock().pages ?? [])],
    comments: [{ id: 9, item: { key: '9', by: 'o', on: '' }, marks: own }],
    categories: [{ id: 9, item: { name: 'o', slug: 'o', parent: '' }, marks: own }, ...(stock().categories ?? [])],
  })) {
    const { others, differences } = lines(
      baseline('shipped: remove\npages: [{ title: Home, slug: home, replaces: shipped }]'),
      { [area]: reading },
    )
    assert.equal(others.length, 1, area)
    assert.deepEqual(refs(differences), ['missing pages/home'], area)
  }
})

test('items that the file names, as wanted or as gone, are nobody else’s', () => {
  const pages = [
    { id: 9, item: { title: 'Old', slug: 'old' }, marks: own },
    { id: 8, item: { title: 'Visit', slug: 'visit', state: 'published' as const, parent: '', order: 1 }, marks: own },
  ]
  const { others, differences } = lines(baseline('gone: { pages: [old] }\npages: [{ title: Visit, slug: visit }]'), {
    pages,
  })
  assert.deepEqual([others, refs(differences)], [[], ['left over pages/old']])
})

test('renaming: the old slug is found, and children of a renamed parent do not move', () => {
  const categories = [
    { id: 5, item: { name: 'Old', slug: 'old', parent: '' }, marks: own },
    { id: 6, item: { name: 'Kid', slug: 'kid', parent: 'categories/old' }, marks: own },
  ]
  const { differences } = lines(
    baseline('categories: [{ name: New, slug: new, was: old, under: [{ name: Kid, slug: kid }] }]'),
    { categories },
  )
  assert.deepEqual(refs(differences), ['different categories/new'])
})

test('parents come before children, and what goes comes last', () => {
  const { differences } = lines(
    baseline(
      'shipped: remove\ncategories: [{ name: A, slug: a, under: [{ name: B, slug: b, under: [{ name: C, slug: c }] }] }]',
    ),
  )
  assert.deepEqual(refs(differences).slice(0, 3), [
    'missing categories/a',
    'missing categories/b',
    'missing categories/c',
  ])
  assert.ok(differences.slice(3).every(({ is }) => is === 'left over'))
})

test('a text is replaced only if what stands there is ours', () => {
  const plan = baseline('pages: [{ title: V, slug: v, body: v.md }]', { 'v.md': 'new' })
  const there = {
    pages: [
      {
        id: 9,
        item: { title: 'V', slug: 'v', body: '<p>old</p>', state: 'published' as const, parent: '', order: 1 },
        marks: own,
      },
    ],
  }
  const ask = (options: object) => {
    const { differences, kept, settled } = lines(plan, there, options)
    return [refs(differences), refs(kept), (settled.pages?.[0] as { body?: string } | undefined)?.body]
  }
  const left = (body: string) => ({ left: () => ({ body: markOf(areaOf('pages'), 'body', body) }) })
  // one that was never ours is somebody's own: told as to do by hand, and nothing is made beside it
  assert.deepEqual(ask({}), [[], [], '<p>old</p>'])
  const [conflict] = lines(plan, there).byHand
  assert.ok(conflict)
  assert.equal(conflict.ref, 'pages/v')
  assert.match(conflict.text, /somebody/)
  assert.deepEqual(ask(left('<p>old</p>')), [['different pages/v'], [], '<p>new</p>'])
  assert.deepEqual(ask(left('<p>older</p>')), [[], ['pages/v'], '<p>old</p>'])
  assert.deepEqual(ask({ again: true }), [['different pages/v'], [], '<p>new</p>'])
})

test('by hand, never, and what the file excuses', () => {
  const can = (_area: string, key: string) =>
    key === 'title' ? { byHand: 'do it there' } : key === 'timezone' ? { never: 'no zones here' } : ('can' as const)
  const there = { site: [{ id: 1, item: { title: 'Other', timezone: '' } }] }
  const plan = (rest = '') =>
    readBaseline(
      `unpack: 1\nsite: { address: "http://127.0.0.1/", title: Tidepool, timezone: UTC }\nowner: { username: marlow }\n${rest}`,
    ).baseline
  const one = lines(plan(), there, { can })
  assert.deepEqual([refs(one.differences), refs(one.byHand), refs(one.never)], [[], ['site.title'], ['site.timezone']])
  const two = lines(plan('leave: [site.timezone, site.title]'), there, { can })
  assert.deepEqual([refs(two.byHand), refs(two.never)], [[], []])
})

test('en wants any English, de-AT wants Austria’s', () => {
  const site = (language: string, found: string) =>
    lines(
      readBaseline(
        `unpack: 1\nsite: { address: "http://127.0.0.1/", language: ${language} }\nowner: { username: marlow }\n`,
      ).baseline,
      { site: [{ id: 1, item: { language: found } }] },
    ).differences.length
  assert.deepEqual(
    [site('en', 'en-US'), site('de-AT', 'de-DE'), site('de', 'de-AT'), site('de-at', 'de-AT')],
    [0, 1, 0, 0],
  )
})

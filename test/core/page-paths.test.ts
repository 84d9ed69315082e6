import assert from 'node:assert/strict'
import { test } from 'node:test'
import { areas, compare, inventoryOf, mistakesIn, type CompareOptions, type ReadItem } from 'unpack'
import { planned } from '../help/plan.js'

const plan = (rest: string) => planned('http://127.0.0.1/', rest)
const page = (id: number, slug: string, parent = ''): ReadItem<{ title: string; slug: string; parent: string }> => ({
  id,
  item: { title: slug, slug, parent },
})
const two = `
pages:
  - { title: Visit, slug: visit, under: [{ title: Hours, slug: hours }] }
  - { title: Tours, slug: tours, under: [{ title: Tour hours, slug: hours }] }
`
/** What a plan makes of these pages on a site; those with these numbers are ours. */
const differences = (rest: string, items: ReturnType<typeof page>[], ours: number[] = [], more: CompareOptions = {}) =>
  compare(plan(rest), inventoryOf({ pages: items }), { ours: (_area, { id }) => ours.includes(Number(id)), ...more })

test('the same slug in two folders is two pages; menus and the front page take a path', () => {
  const baseline = plan(
    `${two}frontPage: { page: tours/hours, posts: visit/hours }\nmenus: { main: [{ page: tours/hours }] }`,
  )
  assert.deepEqual(
    areas.pages.plan(baseline).map(({ item }) => areas.pages.ref(item)),
    ['pages/visit', 'pages/visit/hours', 'pages/tours', 'pages/tours/hours'],
  )
  assert.deepEqual(areas.frontPage.plan(baseline)[0]?.item, {
    page: 'pages/tours/hours',
    posts: 'pages/visit/hours',
    body: undefined,
  })
  assert.deepEqual(areas.menus.plan(baseline)[0]?.item.entries, [{ ref: 'pages/tours/hours', label: 'Tour hours' }])
})

test('a slug will do where it is the only one; where it is not, the file is told which there are', () => {
  const head = 'unpack: 1\nsite: { address: "http://127.0.0.1/", title: T }\nowner: { username: marlow }\n'
  const mistakes = (rest: string) => mistakesIn(head + rest).map(({ path, what }) => `${path}: ${what}`)
  assert.deepEqual(mistakes(`${two}frontPage: { page: visit }`), [])
  assert.deepEqual(mistakes(`${two}frontPage: { page: hours }`), [
    'frontPage.page: several items of this file are called that: visit/hours, tours/hours',
  ])
  assert.deepEqual(mistakes(`${two}frontPage: { page: visit/tours }`), [
    'frontPage.page: no page of this file has that slug',
  ])
  assert.deepEqual(mistakes(`${two}gone: { pages: [visit/hours] }`), [
    'gone.pages[0]: this is wanted further down in the same file',
  ])
  assert.deepEqual(mistakes(two.replace('slug: tours', 'slug: visit')).length, 2)
})

test('a page of ours that stands elsewhere is moved where just one fits; anybody else’s is not', () => {
  const rest = 'pages: [{ title: visit, slug: visit, under: [{ title: hours, slug: hours }] }]'
  const moved = differences(rest, [page(1, 'visit'), page(2, 'hours')], [1, 2]).differences
  assert.deepEqual(
    moved.map((one) => [
      one.ref,
      one.is,
      one.is === 'different' && (one.fields as readonly string[]).includes('parent'),
    ]),
    [
      ['pages/visit', 'different', false],
      ['pages/visit/hours', 'different', true],
    ],
  )
  const theirs = differences(rest, [page(1, 'visit'), page(2, 'hours')], [1]).differences
  assert.ok(theirs.some(({ ref, is }) => ref === 'pages/visit/hours' && is === 'missing'))
  const several = differences(rest, [page(1, 'visit'), page(2, 'hours'), page(3, 'hours', 'pages/other')], [1, 2, 3])
  assert.ok(several.differences.some(({ ref, is }) => ref === 'pages/visit/hours' && is === 'missing'))
})

test('under a page that is renamed stands what stood under its old name', () => {
  const rest = 'pages: [{ title: v, slug: v, was: visit, under: [{ title: hours, slug: hours }] }]'
  const found = differences(rest, [page(1, 'visit'), page(2, 'hours', 'pages/visit')], [1, 2]).differences
  assert.deepEqual(
    found.map((one) => [
      one.ref,
      one.is,
      one.is === 'different' && one.found.id,
      one.is === 'different' && (one.fields as readonly string[]).includes('parent'),
    ]),
    [
      ['pages/v', 'different', 1, false],
      ['pages/v/hours', 'different', 2, false],
    ],
  )
})

test('what is gone goes by its path, or by its slug where that is the only one', () => {
  const pages = [page(1, 'visit'), page(2, 'hours', 'pages/visit'), page(3, 'hours')]
  const going = (gone: string, items = pages) =>
    differences(`gone: { pages: [${gone}] }`, items)
      .differences.filter(({ is }) => is === 'left over')
      .map(({ ref }) => ref)
  assert.deepEqual(going('visit/hours'), ['pages/visit/hours'])
  assert.deepEqual(going('hours'), ['pages/hours'])
  assert.deepEqual(going('hours', pages.slice(0, 2)), ['pages/visit/hours'])
})

test('the slug that a page had, where it is the only one: meant wherever it stands, whoever made it', () => {
  const rest = 'pages: [{ title: opening, slug: opening, was: hours }]'
  const of = (items: ReturnType<typeof page>[]) =>
    differences(rest, items).differences.map((one) => [one.ref, one.is, one.is === 'different' && one.found.id])
  assert.deepEqual(of([page(1, 'tours'), page(2, 'hours', 'pages/tours')]), [['pages/opening', 'different', 2]])
  const two = [page(1, 'tours'), page(2, 'hours', 'pages/tours'), page(3, 'hours', 'pages/visit')]
  assert.deepEqual(of(two), [['pages/opening', 'missing', false]])
})

test('a page that holds one that stays is not removed, whatever the file says; one that is moved out holds nothing back', () => {
  const items = [page(1, 'visit'), page(2, 'hours', 'pages/visit'), page(3, 'way', 'pages/visit')]
  const left = (rest: string) => {
    const { differences: all, kept } = differences(rest, items, [1, 2, 3])
    return [all.flatMap(({ is, ref }) => (is === 'left over' ? [ref] : [])), kept.map(({ text }) => text)]
  }
  assert.deepEqual(left('gone: { pages: [visit, visit/way] }'), [
    ['pages/visit/way'],
    ["the page “hours” is somebody's own", 'the page “visit” holds the page “hours”: it stays'],
  ])
  assert.deepEqual(left('gone: { pages: [visit, visit/way, visit/hours] }')[1], [])
  const moved = 'pages: [{ title: Hours, slug: hours, was: visit/hours }]\ngone: { pages: [visit, visit/way] }'
  assert.deepEqual(left(moved)[1], [])
})

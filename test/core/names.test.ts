import assert from 'node:assert/strict'
import { test } from 'node:test'
import { compare, differenceText } from 'unpack'
import { wordChanges } from '../../src/core/text/word-changes.js'
import { planned } from '../help/plan.js'

test('items are told by their names: what a page stands under, the front page, categories of a post', () => {
  const plan = planned(
    'http://127.0.0.1:4101/',
    `categories: [{ name: Rock pools, slug: pools }]
pages: [{ title: Visit us, slug: visit, under: [{ title: Hours, slug: hours }] }]
posts: [{ title: Kelp, slug: kelp, categories: [pools] }]
frontPage: { page: visit }
menus: { main: [{ page: visit }] }
`,
  )
  const { differences, names } = compare(plan, {
    categories: [],
    pages: [],
    posts: [],
    menus: [],
    frontPage: [{ ref: 'frontPage', id: 1, item: { page: '', posts: '' }, origin: 'shipped', hidden: false }],
  })
  assert.deepEqual(
    [names.of['pages/visit'], names.of['pages/visit/hours'], names.of['categories/pools']],
    ['Visit us', 'Hours', 'Rock pools'],
  )
  const front = differences.find(({ area }) => area === 'frontPage')
  assert.ok(front)
  assert.equal(differenceText(front, names), 'front page nothing → “Visit us”')
})

test('a text that changed is told word by word; another text is another text', () => {
  const far = 'The tide comes in twice a day, and goes out again as often, which nobody has ever seen fail. '
  assert.deepEqual(wordChanges(`${far}Low water at nine.`, `${far}Low water at ten.`), [
    { is: 'same', text: ' … nobody has ever seen fail. Low water at ' },
    { is: 'gone', text: 'nine' },
    { is: 'new', text: 'ten' },
    { is: 'same', text: '.' },
  ])
  assert.equal(wordChanges('kelp', 'limpet'), undefined)
  const many = (word: string) => Array.from({ length: 2000 }, (_, index) => `${word}${index}`).join(' ')
  assert.equal(wordChanges(many('a'), many('b')), undefined)
})

test('dates are told in the language of the site', () => {
  const plan = planned(
    'http://quay.example/',
    'posts: [{ title: Tang, slug: tang, date: 2026-12-05T09:30 }]',
    {},
    undefined,
    ', language: de, dates: { date: "5. März 2026", time: "14:07" }',
  )
  const { differences, names } = compare(plan, {
    site: [
      {
        ref: 'site',
        id: 'site',
        item: { title: 'Tidepool', language: 'de-DE', date: 'MMMM d, y', time: 'HH:mm' },
        origin: 'shipped',
        hidden: false,
      },
    ],
    posts: [
      {
        ref: 'posts/tang',
        id: 1,
        item: { title: 'Tang', slug: 'tang', state: 'published', date: '2026-03-05T14:07' } as never,
        origin: 'shipped',
        hidden: false,
      },
    ],
  })
  const told = differences.map((one) => differenceText(one, names))
  assert.deepEqual(told, [
    'dates “März 5, 2026” → “5. März 2026”',
    'the post “Tang”: date “5. März 2026 um 14:07” → “5. Dezember 2026 um 09:30”',
  ])
})

import assert from 'node:assert/strict'
import { test } from 'node:test'
import { compare, inventoryOf, mistakesIn, mistakeText, readBaseline, type Reading } from 'unpack'

const head = 'unpack: 1\nsite: { address: "http://127.0.0.1:4101/" }\nowner: { username: marlow }\n'
const codes = (rest: string, files = {}) =>
  mistakesIn(`${head}${rest}`, files).map(({ code, path, at }) => `${code} ${path} ${at.line}:${at.column}`)

test('pages and categories that are named have to be there', () => {
  const rest = `pages: [{ title: A, slug: a, under: [{ title: B, slug: b }] }]
categories: [{ name: C, slug: c }]
frontPage: { page: a, posts: nowhere }
menus: { main: [{ page: b }, { page: no }, { category: c }, { category: no }, { label: X, link: "https://x.example/" }] }
posts: [{ title: P, slug: p, categories: [c, none] }]
`
  assert.deepEqual(codes(rest), [
    'unknown-item frontPage.posts 6:30',
    'unknown-item menus.main[1].page 7:38',
    'unknown-item menus.main[3].category 7:73',
    'unknown-item posts[0].categories[1] 8:46',
  ])
  // sample content may bring them
  assert.ok(!codes(`${rest}samples: s.xml`, { 's.xml': 'x' }).some((line) => line.startsWith('unknown-item')))
})

test('dates that can’t be told apart, with the reason', () => {
  const [mistake] = mistakesIn(head.replace(' }\nowner', ', dates: { date: 6 March 2026 } }\nowner'))
  assert.ok(mistake)
  assert.match(mistakeText(mistake), /site\.dates\.date: this can't be told apart: .*none of 5, 3 and 2026/)
})

test('files have to be what they are for, and to be there', () => {
  const png = new Uint8Array([137, 80, 78, 71])
  assert.deepEqual(
    codes(
      'theme: { use: t, from: t.txt }\nlinks: { from: l.opml }\nsamples: s.xml\npages: [{ title: A, slug: a, body: a.md }]',
      {
        't.txt': 'x',
        'l.opml': '<rss/>',
        's.xml': '<rss/>',
        'a.md': '![x](p.png) ![y](../q.png)',
        'p.png': png,
      },
    ).map((line) => line.split(' ')[0]),
    ['wrong-file', 'wrong-file', 'wrong-file', 'wrong-file'],
  )
})

test('wanted and gone, twice the same, samples that would be taken away', () => {
  assert.deepEqual(
    codes(
      'shipped: remove\nsamples: shipped\ngone: { addOns: [x], theme: [t, x] }\ntheme: { use: t }\naddOns: [{ use: x }, { use: x }]',
    ).map((line) => line.split(' ').slice(0, 2).join(' ')),
    [
      'contradiction samples',
      'contradiction gone.addOns[0]',
      'contradiction gone.theme[0]',
      'two-of-one addOns[1].use',
    ],
  )
})

const baseline = (rest: string, files = {}) => readBaseline(`${head}${rest}`, files).baseline
const compared = (rest: string, reading: Reading, options = {}) =>
  compare(
    baseline(rest),
    inventoryOf({ owner: [{ id: 1, item: { username: 'marlow', password: 'own' } }], ...reading }),
    options,
  )

test('a menu waits for the pages and categories that it leads to', () => {
  const { differences } = compared(
    'menus: { main: [{ category: c }, { page: p }] }\npages: [{ title: P, slug: p }]\ncategories: [{ name: C, slug: c }]',
    { pages: [], categories: [], menus: [] },
  )
  assert.deepEqual(
    differences.map(({ ref }) => ref),
    ['categories/c', 'pages/p', 'menus/main'],
  )
})

test('what a key means by itself: front page of posts, comment rules, notices that are told', () => {
  const { differences } = compared('frontPage: posts\ncomments: { approve: all }\npublishing: { newPostNotices: [] }', {
    frontPage: [{ id: 1, item: { page: 'pages/x', posts: '' } }],
    commenting: [{ id: 1, item: { allowed: true, approve: 'none', linksBeforeApproval: 2 } }],
    publishing: [{ id: 1, item: { newPostNotices: ['http://a.example/'] } }],
  })
  assert.deepEqual(
    differences.map((one) => [one.ref, one.is === 'different' && one.fields]),
    [
      ['frontPage', ['page']],
      ['publishing', ['newPostNotices']],
      ['commenting', ['approve']],
    ],
  )
})

test('an area that a system hasn’t got is told, unless the file excuses it', () => {
  const files = { 'l.opml': '<opml><body><outline text="A" htmlUrl="https://a.example/"/></body></opml>' }
  const never = (rest: string) =>
    compare(baseline(`links: { from: l.opml }\n${rest}`, files), inventoryOf({}), {
      without: (area) => (area === 'links' ? 'switched off there' : undefined),
    }).never.filter(({ ref }) => ref === 'links')
  assert.deepEqual(never(''), [{ ref: 'links', text: 'switched off there' }])
  assert.deepEqual(never('leave: [links]'), [])
})

test('a host’s login that is to go: only the one that the file names', () => {
  const members = [
    { id: 8, item: { username: 'host-17' } },
    { id: 9, item: { username: 'odo' } },
  ]
  const plan = head.replace('marlow }', 'marlow, signInAs: host-17 }')
  const { differences, others } = compare(
    readBaseline(plan).baseline,
    inventoryOf({ members, owner: [{ id: 1, item: { username: 'marlow', password: 'own' } }] }),
  )
  assert.deepEqual([differences.map(({ ref }) => ref), others], [['members/host-17'], ['members/odo']])
})

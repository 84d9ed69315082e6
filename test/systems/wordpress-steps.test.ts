import assert from 'node:assert/strict'
import { test } from 'node:test'
import {
  builtIn,
  compare,
  inventoryOf,
  type Baseline,
  type Inventory,
  type Reading,
  type Step,
  idOf,
  addressOf,
} from 'unpack'
import { placesIn } from '../../src/systems/wordpress/menus.js'
import { planned } from '../help/plan.js'

const [wordpress] = builtIn
assert.ok(wordpress)

/** The steps that a plan takes on a site with these items: carrier, fields, and what they give and wait for. */
function stepsFor(rest: string, reading: Reading, more: { site?: string; packages?: Baseline['packages'] } = {}) {
  const baseline = planned('http://127.0.0.1/', rest, {}, undefined, more.site ?? '')
  const plan = { ...baseline, packages: more.packages ?? baseline.packages }
  const inventory: Inventory = inventoryOf(reading)
  const { differences } = compare(plan, inventory)
  return Object.entries(wordpress?.areas ?? {}).flatMap(([name, area]) => {
    const own = differences.filter(({ area: of }) => of === name)
    const steps: Step[] =
      own.length > 0 ? (area.translate?.(own as never, { firstRun: false, baseline: plan, inventory }) ?? []) : []
    return steps.map(({ carrier, fields, more: { gives, after } }) => ({ carrier: carrier.name, fields, gives, after }))
  })
}

test('settings of several areas go to one carrier, by the system’s own names', () => {
  const steps = stepsFor(
    'comments: { allowed: false, approve: all, linksBeforeApproval: 0 }\nsignUp: { open: true, role: writer }\npublishing: { postsPerPage: 4, feed: { posts: 5, shows: summary }, newPostNotices: [] }\nupdates: { system: none }',
    {
      commenting: [{ id: 1, item: { allowed: true, approve: 'none', linksBeforeApproval: 2 } }],
      signUp: [{ id: 1, item: { open: false, role: 'reader' } }],
      publishing: [
        { id: 1, item: { postsPerPage: 10, feedPosts: 10, feedShows: 'whole', newPostNotices: ['http://a.example/'] } },
      ],
      updates: [{ id: 1, item: { system: 'fixes' } }],
    },
  )
  assert.ok(steps.every(({ carrier }) => carrier === 'all settings'))
  assert.deepEqual(Object.assign({}, ...steps.map(({ fields }) => fields)), {
    default_comment_status: 'closed',
    comment_moderation: '1',
    comment_previously_approved: '1',
    comment_max_links: '1',
    users_can_register: '1',
    default_role: 'author',
    posts_per_page: '4',
    posts_per_rss: '5',
    rss_use_excerpt: '1',
    ping_sites: '',
    auto_update_core_major: 'disabled',
    auto_update_core_minor: 'disabled',
  })
})

test('the site: dates in the system’s own notation, a week that starts by number, and only what differs', () => {
  const [step, ...others] = stepsFor(
    '',
    {
      site: [
        {
          id: 'site',
          item: {
            title: 'Tidepool',
            date: 'y-MM-dd',
            time: 'HH:mm',
            weekStarts: 'sunday',
            timezone: 'UTC',
            addresses: 'open',
          },
        },
      ],
    },
    {
      site: ', timezone: Europe/Vienna, dates: { date: "Thursday, 5 March 2026", time: "2:07 pm", weekStarts: monday }',
    },
  )
  assert.deepEqual(others, [])
  assert.deepEqual(step?.fields, {
    timezone_string: 'Europe/Vienna',
    date_format: 'l, j F Y',
    time_format: 'g:i a',
    start_of_week: '1',
  })
})

test('a theme: installed, put to use, others removed behind it, each step waiting for the one before', () => {
  const shipped = { place: true, untouched: true, known: true }
  const own = {
    use: 'harbour',
    name: 'Harbour',
    version: '1.0',
    parent: 'quay',
    wants: [],
    bytes: new Uint8Array(),
    place: '',
  }
  const steps = stepsFor(
    'shipped: { theme: remove }\ntheme: { use: harbour }',
    {
      theme: [{ id: 'twentytwentyone', item: { use: 'twentytwentyone', active: true, version: '1' }, marks: shipped }],
    },
    { packages: { theme: { harbour: own, quay: { ...own, use: 'quay', parent: undefined } }, addOns: {} } },
  )
  assert.deepEqual(
    steps.map(({ carrier, gives, after }) => [carrier, gives, after]),
    [
      ['themes to install', 'theme/quay', []],
      ['themes to install', 'theme/harbour', ['theme/quay']],
      ['themes', 'own.theme/in-use', ['theme/harbour']],
      ['themes', 'own.theme/gone', ['own.theme/in-use']],
    ],
  )
})

test('an add-on: installed, then activated and told to update itself; one that is gone goes', () => {
  const steps = stepsFor('addOns: [{ use: buoys, updates: automatic }]\ngone: { addOns: [leak] }', {
    addOns: [{ id: 'leak/leak', item: { use: 'leak', active: true, version: '1' } }],
  })
  assert.deepEqual(
    steps.map(({ carrier, fields, after }) => [carrier, fields, after]),
    [
      ['add-ons to install', { use: 'buoys', bytes: undefined }, undefined],
      ['add-ons', { use: 'buoys', id: idOf('addOns/buoys'), go: 'activate', active: false }, ['addOns/buoys']],
      ['own updates', { type: 'plugin', automatic: true, id: idOf('addOns/buoys') }, ['addOns/buoys']],
      ['add-ons', { use: 'leak', active: true, version: '1', id: idOf('addOns/leak'), go: 'remove' }, undefined],
    ],
  )
})

test('posts: categories and tags by their ids, a date on the site’s own clock, tags made before', () => {
  const steps = stepsFor(
    'categories: [{ name: A, slug: a }]\nposts: [{ title: P, slug: p, categories: [a], tags: [Brass & co], date: 2026-03-05T14:07, state: draft }]',
    { posts: [], tags: [], categories: [{ id: 4, item: { name: 'A', slug: 'a', parent: '' } }] },
  )
  assert.deepEqual(
    steps.map(({ fields }) => fields),
    [
      {
        route: 'posts',
        body: {
          title: 'P',
          slug: 'p',
          status: 'draft',
          categories: [idOf('categories/a')],
          tags: [idOf('tags/brass-co')],
          date: '2026-03-05T14:07:00',
        },
      },
      { route: 'tags', body: { name: 'Brass &amp; co', slug: 'brass-co' } },
    ],
  )
})

test('a menu waits for the addresses of what it leads to; the front page for its pages', () => {
  const steps = stepsFor(
    'pages: [{ title: P, slug: p }]\nfrontPage: { page: p }\nmenus: { main: [{ page: p }, { label: X, link: "https://x.example/" }] }',
    {
      menus: [],
      pages: [{ id: 2, item: { title: 'P', slug: 'p', state: 'published', parent: '', order: 1 } }],
      frontPage: [{ id: 1, item: { page: '', posts: '' } }],
    },
  )
  assert.deepEqual(
    steps.map(({ carrier, fields }) => [carrier, fields]),
    [
      ['all settings', { show_on_front: 'page', page_on_front: idOf('pages/p'), page_for_posts: '0' }],
      [
        'menus',
        {
          place: 'main',
          entries: [
            { label: 'P', kind: 'page', id: idOf('pages/p'), address: addressOf('pages/p') },
            { label: 'X', kind: 'link', address: 'https://x.example/' },
          ],
        },
      ],
    ],
  )
})

test('places of a theme: main and footer whatever it calls them, others by their own names', () => {
  const of = (...names: [string, string][]) =>
    [...placesIn(names.map(([name, description]) => ({ name, description })))].map(
      ([place, { name }]) => `${place}=${name}`,
    )
  assert.deepEqual(of(['primary', 'Main menu'], ['footer', 'Footer menu'], ['social', 'Social links']), [
    'main=primary',
    'footer=footer',
    'social=social',
  ])
  assert.deepEqual(of(['menu-1', 'Header'], ['menu-2', 'At the bottom']), ['main=menu-1', 'footer=menu-2'])
  assert.deepEqual(of(['one', 'The only one']), ['main=one'])
  assert.deepEqual(of(), [])
})

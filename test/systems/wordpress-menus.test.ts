import assert from 'node:assert/strict'
import { test } from 'node:test'
import {
  blocksOf,
  hasLogo,
  namedIn,
  partFor,
  placesOf,
  withLogo,
  withMenu,
} from '../../src/systems/wordpress/block-menus.js'
import { entryRequests, menuPlans, type MenuLoad } from '../../src/systems/wordpress/menu-plan.js'

const locations = [
  { name: 'primary', description: 'Main menu', menu: 7 },
  { name: 'footer', description: 'Footer menu', menu: 0 },
  { name: 'social', description: 'Social links', menu: 99 },
]
const entries: MenuLoad['entries'] = [
  { label: 'Visit', kind: 'page', id: 4, address: 'https://quay.example/visit/' },
  { label: 'A -- <b> & "c"', kind: 'link', address: 'https://tools.example/?a=1&b=2' },
]

test('a menu that stands in its place stays there; others are put there, by name or made', () => {
  const menus = [
    { id: 7, name: 'somebody’s' },
    { id: 8, name: 'footer' },
  ]
  assert.deepEqual(
    menuPlans(
      ['main', 'footer', 'social', 'attic'].map((place) => ({ place })),
      locations,
      menus,
    ),
    [
      { menu: 7 },
      { put: { method: 'POST', path: '/wp/v2/menus/8', body: { locations: ['footer'] } }, menu: 8 },
      // what stands in it by its number is gone
      {
        put: { method: 'POST', path: '/wp/v2/menus', body: { name: 'social', locations: ['social'] } },
        menu: undefined,
      },
      { lacks: 'the theme in use has no such place; it has: main, footer, social' },
    ],
  )
})

test('a menu is left with exactly its entries: those of another stay', () => {
  const requests = entryRequests(7, entries, [
    { id: 1, menus: 7 },
    { id: 2, menus: 8 },
  ])
  assert.deepEqual(
    requests.map(({ method, path }) => `${method} ${path}`),
    ['DELETE /wp/v2/menu-items/1?force=true', 'POST /wp/v2/menu-items', 'POST /wp/v2/menu-items'],
  )
  assert.deepEqual(requests[1]?.body, {
    title: 'Visit',
    menus: 7,
    menu_order: 1,
    status: 'publish',
    type: 'post_type',
    object: 'page',
    object_id: 4,
  })
})

test('a part of a block theme: its menu is exchanged, or put below what it has; a label can’t end its block', () => {
  const part = (slug: string, area: string, raw: string) => ({ id: `t//${slug}`, slug, area, content: { raw } })
  const header = part('top', 'header', '<p>Quay</p><!-- wp:navigation {"layout":{"type":"grid"},"ref":3} /-->')
  const footer = part('footer', 'footer', '<p>Tide & time</p>')
  assert.deepEqual(placesOf([header, footer]), ['main', 'top', 'footer'])
  assert.equal(partFor('main', [footer, header]), header)
  assert.equal(partFor('attic', [footer, header]), undefined)
  assert.deepEqual([namedIn(header), namedIn(footer)], [3, undefined])
  const changed = withMenu(header, 12)
  assert.match(changed, /^<p>Quay<\/p><!-- wp:navigation \{"layout":\{"type":"grid"\},"ref":12\} \/-->$/)
  const below = withMenu(footer, 12)
  assert.ok(below.startsWith('<p>Tide & time</p>\n'))
  assert.equal(namedIn({ ...footer, content: { raw: below } }), 12)
  const text = blocksOf(entries)
  assert.equal(text.split('-->').length - 1, 2)
  assert.match(text, /A \\u002d\\u002d \\u0026lt;b\\u0026gt; \\u0026amp; \\"c\\"/)
})

test('a part of a block theme: the logo goes beside the title, or to its beginning, once', () => {
  const part = (raw: string) => ({ id: 't//header', slug: 'header', area: 'header', content: { raw } })
  const header = part('<!-- wp:group --><!-- wp:site-title {"level":0} /--><!-- /wp:group -->')
  assert.equal(hasLogo(header), false)
  const raw = withLogo(header)
  assert.match(raw, /^<!-- wp:group --><!-- wp:group .*<!-- wp:site-logo [^>]*\/--><!-- wp:site-title /)
  assert.equal(hasLogo(part(raw)), true)
  assert.match(withLogo(part('<p>Tides</p>')), /^<!-- wp:site-logo [^>]*\/--><p>Tides<\/p>$/)
})

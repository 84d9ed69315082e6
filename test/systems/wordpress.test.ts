import assert from 'node:assert/strict'
import { test } from 'node:test'
import { builtIn, compare, inventoryOf, type AnyDifference, type Step, idOf, secretOf } from 'unpack'
import { shippedOn } from '../../src/engine/stock.js'
import { localeOf, tagOf } from '../../src/systems/wordpress/locale.js'
import { shippedTexts, shippedWords } from '../../src/systems/wordpress/shipped-texts.js'
import { showsShippedText } from '../../src/systems/wordpress/shipped-words.js'
import { screens, trouble } from '../../src/systems/wordpress/screens.js'
import { smallBaseline } from '../help/demo.js'

const [wordpress] = builtIn
assert.ok(wordpress)
const demo = smallBaseline('http://127.0.0.1/')

/** What the areas make of a comparison, without a site. */
function steps(differences: readonly AnyDifference[], firstRun: boolean): Step[] {
  return Object.entries(wordpress?.areas ?? {}).flatMap(([name, area]) => {
    const own = differences.filter(
      (difference) => difference.area === name && !(difference.is === 'left over' && difference.fallsWith),
    )
    return own.length > 0 ? (area.translate?.(own as never, { firstRun, baseline: demo, inventory: {} }) ?? []) : []
  })
}
const byCarrier = (all: readonly Step[]) =>
  Object.fromEntries(
    [...new Set(all.map(({ carrier }) => carrier.name))].map((name) => [
      name,
      all.filter(({ carrier }) => carrier.name === name).map(({ fields }) => fields),
    ]),
  )
const expected = () => compare(demo, inventoryOf(shippedOn(wordpress, demo, '6.1'))).differences

test('in front of the first-run form: one form, with a password that is not there yet', () => {
  const form = byCarrier(
    steps(
      expected().filter(({ area }) => area === 'site' || area === 'owner'),
      true,
    ),
  )
  assert.deepEqual(form, {
    'first-run form': [
      { user_name: 'marlow', admin_email: 'ines@repair.example', password: secretOf('owner') },
      { weblog_title: 'Lantern Street Repair Café', language: '', blog_public: '1' },
    ],
  })
})

test('after it: settings in one request, content in one, what falls with a post in none', () => {
  const all = byCarrier(
    steps(
      expected().filter(({ area }) => area !== 'owner'),
      false,
    ),
  )
  assert.deepEqual(Object.keys(all).sort(), ['add-ons', 'addresses', 'all settings', 'content', 'themes'])
  assert.deepEqual(all['all settings'], [
    {
      blogname: demo.site.title,
      blogdescription: demo.site.description,
      timezone_string: 'Europe/London',
      admin_email: 'desk@repair.example',
    },
  ])
  const content = all.content as { route: string; id?: object; remove?: boolean; body?: Record<string, unknown> }[]
  assert.equal(content.length, 9)
  assert.deepEqual(
    content.filter(({ remove }) => remove).map(({ id }) => id),
    [idOf('pages/privacy-policy'), idOf('posts/hello-world')],
  )
  assert.deepEqual(content.find(({ body }) => body?.slug === 'bicycles')?.body?.parent, idOf('categories/repairs'))
  assert.deepEqual(content.find(({ body }) => body?.slug === 'repairs')?.id, idOf('categories/uncategorized'))
})

test('languages: a tag finds the system’s own name, and back', () => {
  assert.deepEqual(['en', 'en-US', 'de', 'de-DE', 'fr', 'pt-BR', 'nb', 'en-GB'].map(localeOf), [
    '',
    '',
    'de_DE',
    'de_DE',
    'fr_FR',
    'pt_BR',
    'nb_NO',
    'en_GB',
  ])
  assert.deepEqual(['', 'de_DE', 'de_DE_formal', 'ja'].map(tagOf), ['en-US', 'de-DE', 'de-DE', 'ja'])
})

test('in every language that ships, what is expected is a post, its comment, two pages and a category', () => {
  assert.equal(shippedWords.length, 64)
  for (const { locale, post, category } of shippedWords) {
    const language = tagOf(locale === 'en_US' ? '' : locale)
    const inventory = inventoryOf(shippedOn(wordpress, { ...demo, site: { ...demo.site, language } }, ''))
    assert.deepEqual(
      [inventory.pages?.length, inventory.comments?.[0]?.item.on.startsWith('posts/')],
      [2, true],
      locale,
    )
    assert.ok(inventory.posts?.every(({ origin }) => origin === 'shipped') && post.slug !== '' && category.slug !== '')
  }
  for (const texts of Object.values(shippedTexts)) for (const one of texts) assert.match(one, /^[0-9a-f]{64}$/)
})

test('a text that shipped is known on a public page, however its quotes were set', () => {
  const text =
    'Hi, this is a comment.<br />\nTo get started with moderating, editing, and deleting comments, please visit the Comments screen in the dashboard.<br />\nCommenter avatars come from <a href="https://en.gravatar.com/">Gravatar</a>.'
  assert.ok(showsShippedText(`<body><main><div class="x"><p>${text}</p></div></main></body>`, 'http://127.0.0.1/'))
  assert.ok(
    !showsShippedText(
      '<body><p>Hi, this is a comment of somebody’s own, and longer than forty letters.</p></body>',
      'http://127.0.0.1/',
    ),
  )
  assert.ok(!showsShippedText('', 'http://127.0.0.1/'))
})

test('signs of trouble on a screen, each by itself', () => {
  const [screen] = screens
  assert.ok(screen)
  assert.ok(screens.length >= 8)
  const fine = `<body><div id="dashboard-widgets">${'Words that an owner reads. '.repeat(20)}</div></body>`
  const of = (text: string, status = 200) => trouble({ url: '', status, headers: {}, text, hops: [] }, screen)
  assert.equal(of(fine), undefined)
  assert.match(of(fine, 500) ?? '', /HTTP 500/)
  assert.match(of(`<form id="loginform"></form>${fine}`) ?? '', /asks to sign in/)
  assert.match(of(`<br /><b>Warning</b>:  Undefined variable${fine}`) ?? '', /warning/)
  assert.match(of(fine.replace('<body>', '<body id="error-page">')) ?? '', /error page/)
  assert.match(of('<div id="dashboard-widgets"></div>') ?? '', /empty/)
  assert.match(of(fine.replace('dashboard-widgets', 'x')) ?? '', /missing/)
})

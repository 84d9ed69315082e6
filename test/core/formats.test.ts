import assert from 'node:assert/strict'
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { test } from 'node:test'
import fc from 'fast-check'
import { datePattern, htmlOf, normalForm, postAddressParts, sameText, slugOf } from 'unpack'
import { outlinesIn } from '../../src/core/text/opml.js'
import { dateExample } from '../../src/core/text/dates.js'
import { sampleIn } from '../../src/core/text/sample.js'
import { notOlder } from '../../src/core/text/versions.js'
import { cldrDate, phpDate } from '../../src/systems/wordpress/dates.js'
import { structureOf, templateOf } from '../../src/systems/wordpress/post-address.js'
import { clock, written } from '../../stand-ins/common/server/clock.js'
import { demoFolder } from '../help/demo.js'
import { root } from '../help/root.js'

test('dates by example become CLDR patterns, in the language of the site', () => {
  const of = (example: string, kind: 'date' | 'time' = 'date', language = 'en') => {
    const read = datePattern(example, kind, language)
    return 'pattern' in read ? read.pattern : `? ${read.unclear}`
  }
  assert.deepEqual(
    [
      of('5 March 2026'),
      of('March 5, 2026'),
      of('05/03/26'),
      of('2026-03-05'),
      of('Thu 5 Mar 2026'),
      of('5. März 2026', 'date', 'de'),
      of('Donnerstag, 5. März 2026', 'date', 'de'),
      of('2026年3月5日', 'date', 'ja'),
      of('14:07', 'time'),
      of('2:07 PM', 'time'),
      of('2.07 pm', 'time'),
      of('14h07', 'time', 'fr'),
    ],
    [
      'd MMMM y',
      'MMMM d, y',
      'dd/MM/yy',
      'y-MM-dd',
      'EEE d MMM y',
      'd. MMMM y',
      'EEEE, d. MMMM y',
      'y年M月d日',
      'HH:mm',
      'h:mm a',
      'h.mm aaa',
      "HH'h'mm",
    ],
  )
  for (const [example, kind] of [
    ['6 March 2026', 'date'],
    ['5 May 2026', 'date'],
    ['March 2026', 'date'],
    ['5 5 2026', 'date'],
    ['2:07', 'time'],
    ['15:07', 'time'],
    ['14:07 PM', 'time'],
  ] as const)
    assert.match(of(example, kind), /^\? /, example)
})

test('a pattern reaches a system’s own notation and comes back, and the example is what is printed', () => {
  for (const [example, kind] of [
    ['5 March 2026', 'date'],
    ['March 5, 2026', 'date'],
    ['05/03/26', 'date'],
    ['Thursday 5 Mar 2026', 'date'],
    ['14:07', 'time'],
    ['2:07 pm', 'time'],
    ['14h07', 'time'],
  ] as const) {
    const read = datePattern(example, kind, 'en')
    assert.ok('pattern' in read, example)
    assert.equal(cldrDate(phpDate(read.pattern)), read.pattern, example)
    assert.equal(written('2026-03-05T14:07', read.pattern, 'en'), example)
    assert.equal(dateExample(read.pattern), example)
  }
  assert.equal(clock('Europe/London', new Date('2026-07-01T12:00:00Z')), '2026-07-01T13:00')
})

test('post addresses are URI Templates of known parts, and reach a system’s own notation and back', () => {
  assert.deepEqual(postAddressParts('/{year}/{slug}/'), ['/', { part: 'year' }, '/', { part: 'slug' }, '/'])
  for (const none of ['{slug}', '/{year}/', '/{slug', '/{+slug}', '/{title}', '/{slug*}', '/{a,b}'])
    assert.equal(postAddressParts(none), undefined, none)
  for (const one of [
    '/{slug}/',
    '/{year}/{month}/{day}/{slug}/',
    '/log/{id}',
    '/{category}/{slug}/',
    '/{author}/{slug}',
  ])
    assert.equal(templateOf(structureOf(one)), one)
})

test('slugs and versions', () => {
  assert.deepEqual(['Lamps & wiring', ' Café  Été! ', '灯台', 'A--b'].map(slugOf), [
    'lamps-wiring',
    'cafe-ete',
    '灯台',
    'a-b',
  ])
  assert.deepEqual(
    [notOlder('1.10', '1.9'), notOlder('1.0', '1'), notOlder('1.0', '1.0.1'), notOlder('', ''), notOlder('2', '')],
    [true, true, false, true, true],
  )
})

test('OPML: links in groups or not; what is none, or leads nowhere, is left out', () => {
  const links = outlinesIn(readFileSync(join(demoFolder, 'files/friends.opml'), 'utf8'))
  assert.equal(links?.length, 3)
  const nested =
    '<opml version="2.0"><body><outline text="Group"><outline text="A &amp; B" htmlUrl="https://a.example/" xmlUrl="https://a.example/feed"/><outline text="No" htmlUrl="javascript:alert(1)"/></outline></body></opml>'
  assert.deepEqual(outlinesIn(nested), [{ title: 'A & B', link: 'https://a.example/', description: '' }])
  assert.equal(outlinesIn('<rss/>'), undefined)
})

test('sample content: posts, pages, categories, tags and pictures of an RSS-based export', () => {
  const sample = sampleIn(readFileSync(join(root, 'test/help/sample.xml'), 'utf8'))
  assert.deepEqual(sample?.categories, [{ name: 'Tides', slug: 'tides', description: '', parent: '' }])
  assert.deepEqual(
    sample.tags.map(({ name }) => name),
    ['Moon', 'Sea'],
  )
  assert.deepEqual(
    sample.pages.map(({ slug, parent, order }) => [slug, parent, order]),
    [
      ['harbour', '', 3],
      ['harbour-master', 'pages/harbour', undefined],
    ],
  )
  assert.deepEqual(
    sample.posts.map(({ slug, state, date, tags }) => [slug, state, date, tags]),
    [
      ['first-tide', 'published', '2025-04-01T09:30', ['tags/moon', 'tags/sea']],
      ['second-tide', 'draft', '2025-04-02T10:20', []],
    ],
  )
  assert.deepEqual(sample.pictures, ['pier.png'])
  for (const none of ['', '<html></html>', '<rss><channel><item><title>A feed</title></item></channel></rss>'])
    assert.equal(sampleIn(none), undefined)
})

const awkward = [
  '| What | When |\n|:--|--:|\n| A *lamp* | 10:00 |\n| B \\| C | — |',
  '```js\nif (a < b && c > d) {\n\n  return "x"\n}\n```',
  '- one\n  1. two\n     - three **deep**\n\n  more\n- four',
  '> A quote\n>\n> > in a quote — “with” ‘quotes’ & dashes',
  'AT&T &amp; &lt;b&gt; &copy; \\*not emphasis\\* \\\\',
  'Emoji 🛠️👩‍🔧🇬🇧, tiny spaces\u00a0\u2009and ﬁ ligatures, Ἑλληνικά, 日本語',
  '## A heading\n\nA line\\\nbroken, a [link](https://a.example/?a=1&b=2 "T") and ![alt "x"](p.png)',
]

test('awkward bodies are the same text after what systems do to them', () => {
  for (const text of awkward) {
    const html = htmlOf(text)
    for (const rewritten of [
      html,
      html.replaceAll('\n<', '<'),
      html.replaceAll('<p>', '<p class="is-style-x">'),
      html.replaceAll('<table>', '<figure class="t"><table>').replaceAll('</table>', '</table></figure>'),
      `<!-- block -->${html}<!-- /block -->`,
      html.replaceAll('&amp;', '&#038;').replaceAll('&quot;', '&#8221;'.length > 0 ? '"' : ''),
      html.replaceAll('<li>', '<li>\n').replaceAll('</li>', '\n</li>'),
    ])
      assert.ok(sameText(html, rewritten), `${text}\n${normalForm(html)}\n---\n${normalForm(rewritten)}`)
    assert.ok(!sameText(html, html.replace(/[a-z]{2,}(?=[^<>]*<)/i, 'changed')), text)
  }
})

test('200 kB are compared in no time, and a single word in them is seen', () => {
  const long = htmlOf(
    Array.from(
      { length: 2500 },
      (_, index) => `Paragraph ${index} says *something* of the tide & the moon, at length.`,
    ).join('\n\n'),
  )
  assert.ok(long.length > 200_000)
  assert.ok(sameText(long, long.replaceAll('\n', ' ')))
  assert.ok(!sameText(long, long.replace('Paragraph 1999', 'Paragraph 1998')))
})

test('whatever is written in a paragraph, it is the same text as itself, wrapped', () => {
  fc.assert(
    fc.property(fc.string({ unit: 'grapheme', maxLength: 60 }), (text) => {
      const html = htmlOf(text)
      assert.ok(sameText(html, `<div class="x">${html}</div>`))
    }),
    { numRuns: 200 },
  )
})

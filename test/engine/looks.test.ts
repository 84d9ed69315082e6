import assert from 'node:assert/strict'
import { after, before, test } from 'node:test'
import { confirm, settle } from 'unpack'
import { demoBaseline } from '../help/demo.js'
import { folder } from '../help/folders.js'
import { runningStandIn, type RunningStandIn } from '../help/sites.js'

const root = folder()
let standIn: RunningStandIn
before(async () => {
  standIn = await runningStandIn(root, { standing: 'first-run' })
  await settle(demoBaseline(standIn.address), { ...standIn.options, confirm: false })
})
after(() => standIn.close())

/** The checks that fail when something is otherwise than planned, and what was seen. */
async function failing(tamper: (url: string, html: string) => string): Promise<Record<string, string>> {
  standIn.tamper = tamper
  const { checks } = await confirm(demoBaseline(standIn.address), { ...standIn.options, again: true })
  standIn.tamper = undefined
  return Object.fromEntries(
    checks.filter(({ outcome }) => outcome === 'failed').map(({ name, detail }) => [name, detail]),
  )
}
const front =
  (from: string | RegExp, to: string) =>
  (url: string, html: string): string =>
    url === '/' ? html.replace(from, to) : html

test('as it was settled, nothing fails', async () => assert.deepEqual(await failing((_url, html) => html), {}))

const places: [what: string, tamper: (url: string, html: string) => string, check: string, seen: RegExp][] = [
  [
    'the site goes by another name, and the old one stands in a text',
    front(/<title>[^<]*/, '<title>Quay'),
    'the front page shows the title',
    /is not called “Lantern Street Repair Café”/,
  ],
  [
    'a page goes by another name, and the menu still has the old one',
    (url, html) =>
      url.startsWith('/what-we-mend') ? html.replace(/What we mend( ·|<\/h2>)/g, 'What we broke$1') : html,
    'the page “What we mend” shows its text',
    /is not called “What we mend”/,
  ],
  [
    'a page’s text stands beside what the page is about',
    (url, html) =>
      url.startsWith('/what-we-mend')
        ? html.replace(/<main>([\s\S]*?)<div class="text">([\s\S]*)<\/main>/, '<main>$1</main><aside>$2</aside>')
        : html,
    'the page “What we mend” shows its text',
    /does not show/,
  ],
]

const looks: [what: string, tamper: (url: string, html: string) => string, check: string, seen: RegExp][] = [
  [
    'an entry of a menu is not there',
    front('>What we mend</a></li>', '>Something else</a></li>'),
    'visitors find the menu “main”',
    /no navigation on .* has a link “What we mend”/,
  ],
  [
    'the entries of a menu stand in another order',
    front(/(<li><a[^>]*>Home<\/a><\/li>)(.*?)(<li><a[^>]*>News<\/a><\/li>)/, '$3$2$1'),
    'visitors find the menu “main”',
    /no navigation on .* has a link “.*” behind those before it/,
  ],
  [
    'the browser’s tab has no icon',
    front(/<link rel="icon"[^>]*>/, ''),
    "the browser's tab has an icon",
    /names no icon/,
  ],
  [
    'the icon leads nowhere',
    front(/(<link rel="icon" href=")[^"]*/, '$1/files/none.png'),
    "the browser's tab has an icon",
    /none\.png answers HTTP 404/,
  ],
  [
    'another theme is worn',
    front('name="theme" content="lantern"', 'name="theme" content="plain"'),
    'visitors see the theme “lantern”',
    /looks otherwise/,
  ],
  [
    'another page stands in front',
    front(/Bring it broken, take it home working[^<]*/, 'Closed. '),
    'the front page is “Home”',
    /does not show/,
  ],
  ['a link is missing', front('>Tidepool Watchers</a>', '>Somebody</a>'), 'visitors find the links', /has no link/],
  [
    'anybody may sign up',
    (url, html) => (url === '/join' ? html.replace('<p id="closed">', '<form id="join"></form><p>') : html),
    'visitors can’t make an account',
    /lets anybody sign up/,
  ],
  [
    'the feed holds more than it should',
    (url, html) => (url === '/feed.xml' ? html.replace('</channel>', `${'<item/>'.repeat(12)}</channel>`) : html),
    'the feed holds 10 posts at the most',
    /holds 14 posts/,
  ],
  [
    'a post has lost its text',
    (url, html) => (url.includes('lighthouse') ? html.replace(/The old lamp from[^<]*/, '') : html),
    'the post “A lamp from the lighthouse” shows its text',
    /does not show/,
  ],
  [
    'a page under a page answers otherwise',
    (url, html) => (url.includes('cannot-mend') ? html.replace('Microwave ovens', 'Ovens') : html),
    "the page “What we can't mend” shows its text",
    /does not show/,
  ],
]
for (const [what, tamper, check, seen] of [...places, ...looks])
  test(`${what}: that check fails, and says what was seen`, async () => {
    const failed = await failing(tamper)
    assert.match(failed[check] ?? `${check} passed; failed: ${Object.keys(failed).join(', ')}`, seen)
  })

test('settings that no visitor sees are compared again', async () => {
  const { settings } = standIn.blog
  const kept = { ...settings }
  Object.assign(settings, { weekStarts: 'sunday', notices: ['http://x.example/'], joinRole: 'editor', approve: 'none' })
  const failed = await failing((_url, html) => html)
  Object.assign(settings, kept)
  assert.match(
    failed['nothing is left to settle'] ?? '',
    /first day of the week “sunday” → “monday”.*role of new accounts “editor” → “reader”/,
  )
})

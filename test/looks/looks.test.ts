import assert from 'node:assert/strict'
import { test } from 'node:test'
import type { Expectation, OwnLook } from '../../src/core/looking.js'
import { commentFormAt } from '../../src/looks/comment-form.js'
import { feedAt } from '../../src/looks/feed.js'
import { icon } from '../../src/looks/icon.js'
import { followed } from '../../src/looks/leads-on.js'
import { links } from '../../src/looks/links.js'
import type { Look, Outcome } from '../../src/looks/look.js'
import { robots } from '../../src/looks/robots.js'
import { shows } from '../../src/looks/shows.js'
import { signUpAt } from '../../src/looks/sign-up.js'
import { title } from '../../src/looks/title.js'
import { entry } from '../../src/looks/entry.js'
import type { ThemeLook } from '../../src/core/areas/theme.js'
import { wornBy } from '../../src/looks/theme.js'
import type { Answer } from '../../src/web/answer.js'
import type { Visitor } from '../../src/web/visitor.js'

const home = 'http://tide.example/'
type Pages = Readonly<Record<string, string | Partial<Answer>>>

const answerAt = (pages: Pages, place: string): Answer => {
  const url = new URL(place, home).href
  const page = pages[place]
  const blank = { url, status: page === undefined ? 404 : 200, headers: {}, text: '', hops: [] }
  return { ...blank, ...(typeof page === 'string' ? { text: page } : page) }
}

/** Takes a look at a made-up site; says what came of it. */
async function taken<L extends OwnLook>(look: Look<L>, expected: L, pages: Pages): Promise<string> {
  const expectation = { name: 'it', at: 'front', ...expected } as unknown as Expectation<L> & L
  const sight = { place: '/', home, visit: (place: string) => Promise.resolve(answerAt(pages, place)) }
  const { outcome, seen }: Outcome = await look(expectation, sight)
  return `${{ passed: 'good', failed: 'bad', 'not looked at': 'unseen' }[outcome]}: ${seen}`
}

test('a text is seen in what a page shows or is called; a log-in page in front shows nothing', async () => {
  const texts = ['Rock pools', 'it’s low water']
  const page = { '/': '<title>Rock pools</title><p>it&#8217;s  low\nwater</p><script>never</script>' }
  assert.equal(await taken(shows, { look: 'shows', texts }, page), `good: ${home}`)
  assert.match(await taken(shows, { look: 'shows', texts: ['never'] }, page), /^bad: .*does not show “never”$/)
  assert.match(await taken(shows, { look: 'shows', texts: ['a', 'b'] }, { '/': '<p>x' }), /“a” and 1 more$/)
  assert.match(await taken(shows, { look: 'shows', texts }, {}), /answers HTTP 404/)
  const door = { text: '<p>Rock pools it’s low water<input type=password>', hops: [home] } as unknown as Partial<Answer>
  assert.match(await taken(shows, { look: 'shows', texts }, { '/': door }), /^bad: a log-in page stands in front/)
})

test('a site’s title is looked for where titles stand: an old name in a text is none', async () => {
  const look = (text: string, html: string) => taken(title, { look: 'title', text }, { '/': html })
  const page =
    '<head><title>Tidepool – low water</title></head><main><h2>Welcome to the Old Pier</h2><p>Old Pier</p></main>'
  assert.match(await look('Tidepool', page), /^good/)
  assert.match(await look('Old Pier', page), /^bad: .*is not called “Old Pier”$/)
  assert.match(await look('Tide', page), /^bad/)
  assert.match(await look('Quay', '<header><h1>The Quay</h1></header><main></main>'), /^good/)
  assert.match(await look('Quay', '<p>Quay</p>'), /^unseen: .*neither a title nor a heading$/)
})

test('a page is called so, and shows its text in what it is about: menus and other parts prove nothing', async () => {
  const look = (html: string, texts = ['Low water at nine'], name = 'Tides') =>
    taken(entry, { look: 'entry', title: name, texts }, { '/': html })
  const menu = '<nav><a href="/t">Tides</a></nav>'
  const text = '<p>Low water at nine</p>'
  assert.match(await look(`<title>Tides</title>${menu}<main><h1>Tides</h1>${text}</main>`), /^good/)
  assert.match(await look(`<title>Times</title>${menu}<main><h1>Times</h1>${text}</main>`), /is not called “Tides”$/)
  assert.match(await look(`<title>Tides</title><main></main><footer>${text}</footer>`), /does not show “Low water at/)
  assert.match(await look(`<title>Tides</title><article>${text}</article><aside></aside>`), /^good/)
  assert.match(await look(`<title>Tides</title><div>${text}</div>`), /^unseen: .*does not mark its main part$/)
  assert.match(await look(`<title>Tides</title><div></div>`), /^bad/)
  assert.match(await look(`<main>${text}</main>`), /^unseen: .*neither a title nor a heading$/)
  // words of their own, in whatever quotes
  assert.match(await look('<title>Tidesman</title><main></main>', []), /^bad/)
  assert.match(await look('<title>Category: “Tides”</title><main></main>', [], '"Tides"'), /^good/)
})

test('links are found by their labels, in their order unless any will do', async () => {
  const page = { '/': '<a href="/b">Visit</a><a href="/a">Home</a><a>Nowhere</a>' }
  assert.match(await taken(links, { look: 'links', labels: ['Visit', 'Home'] }, page), /^good/)
  assert.match(
    await taken(links, { look: 'links', labels: ['Home', 'Visit'] }, page),
    /“Visit” behind those before it$/,
  )
  assert.match(await taken(links, { look: 'links', labels: ['Home', 'Visit'], anyOrder: true }, page), /^good/)
  assert.match(await taken(links, { look: 'links', labels: ['Nowhere'] }, page), /^bad/)
  const within = (labels: readonly string[], html: string) =>
    taken(links, { look: 'links', labels, within: 'navigation' }, { '/': html })
  const two = '<nav><a href="/a">Home</a></nav><p><a href="/b">Visit</a></p><nav><a href="/c">Kelp</a></nav>'
  assert.match(await within(['Kelp'], two), /^good/)
  assert.match(await within(['Visit'], two), /^bad: no navigation on .* has a link “Visit”$/)
  // in one navigation, not a part of each
  assert.match(await within(['Home', 'Kelp'], two), /^bad: .*“Kelp” behind those before it$/)
  assert.match(await within(['Visit'], page['/']), /^unseen: .*does not mark a navigation$/)
})

test('an icon is named by the page and is there; one that lies elsewhere is not fetched', async () => {
  const page = (href: string) => `<link rel="shortcut icon" href="${href}">`
  assert.match(await taken(icon, { look: 'icon' }, { '/': page('/i.png'), [`${home}i.png`]: 'x' }), /^good/)
  assert.match(await taken(icon, { look: 'icon' }, { '/': page('/i.png') }), /i\.png answers HTTP 404$/)
  assert.match(
    await taken(icon, { look: 'icon' }, { '/': page('https://elsewhere.example/i.png') }),
    /^unseen: it lies on another host/,
  )
  assert.match(await taken(icon, { look: 'icon' }, { '/': '<p>' }), /names no icon$/)
})

test('search engines are turned away by the page, its head, or the rules for all', async () => {
  const rules = `${home}robots.txt`
  const away: Pages[] = [
    { '/': '<meta name=robots content="noindex">' },
    { '/': { text: '', headers: { 'x-robots-tag': 'none' } } },
    { '/': '<p>', [rules]: { url: rules, text: 'User-agent: *\nDisallow: /' } },
  ]
  for (const pages of away) {
    assert.match(await taken(robots, { look: 'robots', welcome: false }, pages), /^good/)
    assert.match(await taken(robots, { look: 'robots', welcome: true }, pages), /turns search engines away$/)
  }
  assert.match(await taken(robots, { look: 'robots', welcome: false }, { '/': '<p>' }), /lets search engines in$/)
})

test('a feed is well-formed, a feed, and no longer than planned', async () => {
  const feed = feedAt('/feed')
  const at = (text: string, most?: number) => taken(feed, { look: 'feed', most }, { '/feed': text })
  assert.match(await at('<rss><item/><item/></rss>', 2), /^good/)
  assert.match(await at('<rss><item/><item/></rss>', 1), /holds 2 posts$/)
  assert.match(await at('<rss><item></rss>'), /not well-formed XML$/)
  assert.match(await at('<html/>'), /XML, but no feed$/)
  assert.match(await taken(feed, { look: 'feed' }, {}), /answers HTTP 404$/)
})

test('signing up: open or closed, what it waits for, and what it asks', async () => {
  const look = signUpAt({
    place: 'join',
    isOpen: ({ text }) => text.includes('form'),
    approval: ({ text }) => (text.includes('mail') ? 'email' : 'none'),
    question: { place: 'ask', of: ({ text }) => text || undefined },
  })
  const pages = { join: 'form, mail', ask: 'How many arms?' }
  const open = (open: boolean, there: Pages = pages) => taken(look['sign-up'], { look: 'sign-up', open }, there)
  const approval = (approval: string) => taken(look.approval, { look: 'approval', approval }, pages)
  const question = (ask: string) => taken(look.question, { look: 'question', ask }, pages)
  assert.match(await open(true), /^good/)
  assert.match(await open(false), /lets anybody sign up$/)
  assert.match(await open(true, { join: '' }), /lets nobody sign up$/)
  assert.match(await approval('email'), /^good/)
  assert.match(await approval('staff'), /waits for email, not for staff$/)
  assert.match(await question('How many arms?'), /^good/)
  assert.match(await question('Who?'), /does not ask “Who\?”$/)
  // a page that tells neither proves neither
  const silent = signUpAt({ place: 'join', isOpen: () => true })
  assert.match(await taken(silent.approval, { look: 'approval', approval: 'email' }, pages), /^unseen: .*does not tell/)
  assert.match(await taken(silent.question, { look: 'question', ask: 'Who?' }, pages), /^unseen/)
})

test('a theme is worn, and an old address is followed where the system leads there', async () => {
  const worn = wornBy((html, use) => html.includes(use))
  assert.match(await taken(worn, { look: 'theme', use: 'lantern' }, { '/': 'lantern' }), /^good/)
  assert.match(await taken(worn, { look: 'theme', use: 'other' }, { '/': 'lantern' }), /looks otherwise$/)
  // a child without a sign of its own, and a page without any
  const child: ThemeLook = { look: 'theme', use: 'other', parent: 'lantern' }
  assert.match(await taken(worn, child, { '/': 'lantern' }), /^unseen: .*sign of “lantern”, on which it builds/)
  assert.match(await taken(worn, child, { '/': 'third' }), /looks otherwise$/)
  const bare = wornBy(() => undefined)
  assert.match(await taken(bare, { look: 'theme', use: 'lantern' }, { '/': '' }), /^unseen: .*no sign of a theme$/)

  const to = (url: string) => ({ get: () => Promise.resolve(answerAt({ x: { url } }, 'x')) }) as unknown as Visitor
  const attempt = {
    name: '',
    at: 'posts/kelp',
    should: 'leads on',
    words: {},
    before: '/{slug}',
    after: '/a/{slug}',
    place: '/kelp',
  }
  const address = `${home}a/kelp`
  const where = (visitor: Visitor) => ({
    ...{ visitor, session: undefined, address, text: '' },
    hide: () => undefined,
  })
  assert.equal((await followed(() => true)(attempt, where(to(address))))?.came, 'leads on')
  assert.equal((await followed(() => true)(attempt, where(to(home))))?.came, 'leads elsewhere')
  assert.equal(await followed(() => false)(attempt, where(to(address))), undefined)
})

test('a post has the form for a comment, or has none, as planned', async () => {
  const look = commentFormAt('form#say')
  const seen = (open: boolean, html: string) => taken(look, { look: 'comment-form', open }, { '/': html })
  const form = '<p>Kelp</p><form id=say><textarea name=text></textarea></form>'
  assert.match(await seen(true, form), /^good/)
  assert.match(await seen(false, form), /^bad: .* lets visitors comment$/)
  assert.match(await seen(true, '<p>Kelp</p>'), /^bad: .* has no form for a comment$/)
  assert.match(await seen(false, '<p>Kelp</p>'), /^good/)
  assert.match(await taken(look, { look: 'comment-form', open: false }, {}), /^bad: .*answers HTTP 404/)
})

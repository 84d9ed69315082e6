import assert from 'node:assert/strict'
import { readdirSync, statSync } from 'node:fs'
import type { IncomingMessage, OutgoingHttpHeaders, ServerResponse } from 'node:http'
import { after, before, test } from 'node:test'
import { confirm, settle, type Check } from 'unpack'
import { remarksOn } from '../../src/engine/remarks.js'
import { smallBaseline } from '../help/demo.js'
import { folder } from '../help/folders.js'
import { runningStandIn, writesAt, type RunningStandIn } from '../help/sites.js'

const root = folder()
let standIn: RunningStandIn
before(async () => {
  standIn = await runningStandIn(root, { standing: 'first-run' })
  await settle(smallBaseline(standIn.address), { ...standIn.options, confirm: false })
})
after(() => standIn.close())

/** Confirms while answers are changed on their way out, or the blog behind Unpack's back; gives the names of failed checks. */
async function failing(tamper?: (url: string, html: string) => string, change?: () => () => void): Promise<string[]> {
  standIn.tamper = tamper
  const undo = change?.()
  const { checks } = await confirm(smallBaseline(standIn.address), { ...standIn.options, again: true })
  standIn.tamper = undefined
  undo?.()
  return checks.filter(({ outcome }) => outcome === 'failed').map(({ name }) => name)
}
const on = (place: string, from: string | RegExp, to: string) => (url: string, html: string) =>
  url === place ? html.replaceAll(new RegExp(from, 'g'), to) : html

test('a settled site: every check passes, nothing is written, and a record is kept', async () => {
  const writes = writesAt(standIn)
  const { checks, passed, failed, record } = await confirm(smallBaseline(standIn.address), standIn.options)
  assert.deepEqual(
    [checks.filter(({ outcome }: Check) => outcome === 'failed'), failed, passed],
    [[], 0, checks.length],
  )
  assert.equal(writesAt(standIn), writes)
  assert.equal(statSync(record).mode & 0o777, 0o700)
  assert.deepEqual(readdirSync(record).sort(), [
    'exchange.har',
    'journal.jsonl',
    'report.html',
    'report.json',
    'report.xml',
  ])
})

const one: [string, string, (url: string, html: string) => string][] = [
  ['title', 'the front page shows the title', on('/', 'Lantern Street Repair Café', 'My blog')],
  ['description', 'the front page shows the description', on('/', 'Bikes, lamps', 'Boats, lamps')],
  [
    'robots in the page',
    'search engines are welcome',
    on('/', '</head>', '<meta name="robots" content="noindex"></head>'),
  ],
  ['feed', 'the feed can be read', on('/feed.xml', '<channel>', '<channel><b>&')],
  ['a warning before the feed', 'the feed can be read', on('/feed.xml', '^', 'Warning: something ')],
  ['a page that is no feed', 'the feed can be read', on('/feed.xml', /^[\s\S]*$/, '<html></html>')],
  [
    'category',
    'the page of the category “Lamps & wiring” opens',
    on('/category/repairs/lamps', 'Lamps &amp; wiring', 'Nothing'),
  ],
  ['page text', 'the page “Visit us” shows its text', on('/visit/', 'green door', 'red door')],
]
for (const [what, name, tamper] of one) {
  test(`${what} changed behind Unpack’s back: exactly that check fails`, async () =>
    assert.deepEqual(await failing(tamper), [name]))
}

test('the file’s own check', async () => {
  // the page's own words are there, but not where the file wants them
  const baseline = smallBaseline(standIn.address, (text) => text.replace('shows: toasters', 'shows: microscopes'))
  const { checks } = await confirm(baseline, standIn.options)
  assert.deepEqual(
    checks.filter(({ outcome }) => outcome === 'failed').map(({ name }) => name),
    ['/what-we-mend/ shows “microscopes”'],
  )
})

test('a text that shipped, at its old address again', async () => {
  const text =
    '<div class="text"><p>This post came with the blog, so that there is something to see. Write one of your own and take this one away.</p></div>'
  assert.deepEqual(await failing(on('/post/a-first-post', '<main>', `<main>${text}`)), [
    'no text that shipped is left at its old addresses',
  ])
})

test('the password was changed: signing in fails, and what needs the dashboard is not looked at', async () => {
  const names = await failing(undefined, () => {
    const [account] = standIn.blog.accounts
    const { password } = account ?? { password: '' }
    if (account) account.password = 'changed-behind-the-back'
    return () => {
      if (account) account.password = password
    }
  })
  assert.deepEqual(names, ['the owner can sign in'])
})

test('what can’t be looked at is told with why, and counts neither as passed nor as failed', async () => {
  const [account] = standIn.blog.accounts
  assert.ok(account)
  const { password } = account
  account.password = 'changed-behind-the-back'
  const { checks, passed, failed, notLookedAt } = await confirm(smallBaseline(standIn.address), standIn.options)
  account.password = password
  const unseen = checks.filter(({ outcome }) => outcome === 'not looked at')
  assert.ok(
    unseen.length >= 4 && unseen.every(({ detail }) => /at the dashboard, which could not be read/.test(detail)),
  )
  assert.ok(unseen.some(({ name }) => name === 'the page “Visit us” shows its text'))
  assert.deepEqual([passed + failed + notLookedAt, notLookedAt], [checks.length, unseen.length])
})

test('a text that its owner changed is looked for as it stands there, and the check says so', async () => {
  const page = standIn.blog.pages.find(({ slug }) => slug === 'visit')
  assert.ok(page)
  const { body } = page
  page.body = '<p>We moved to the blue door.</p>'
  const { checks } = await confirm(smallBaseline(standIn.address), standIn.options)
  page.body = body
  const check = checks.find(({ name }) => name === 'the page “Visit us” shows its text')
  assert.equal(check?.outcome, 'passed')
  assert.match(check.detail, /the text as it was changed there, not the planned one/)
})

for (const [what, trouble] of [
  ['an error page', (html: string) => html.replace('data-screen="uploads"', '')],
  [
    'a trace',
    (html: string) => html.replace('<main', '<pre>\n    at uploads (/srv/blog/uploads.js:10:4)\n</pre><main'),
  ],
  ['an empty answer', () => '<main data-screen="uploads"></main>'],
  ['a log-in page', () => '<form id="enter"></form>'],
] as const) {
  test(`a screen of the dashboard shows ${what}: exactly that screen fails`, async () => {
    let looks = 0
    // the screen is read once for its list and once for itself: only the second look is spoilt
    const names = await failing((url, html) => (url === '/office/uploads' && ++looks > 1 ? trouble(html) : html))
    assert.deepEqual(names, ['the dashboard’s screen “uploads” opens'.replace('’', "'")])
  })
}

test('a setting that no visitor sees: nothing is left to settle fails', async () => {
  const names = await failing(undefined, () => {
    standIn.blog.settings.timezone = 'Asia/Tokyo'
    return () => {
      standIn.blog.settings.timezone = 'Europe/London'
    }
  })
  assert.deepEqual(names, ['nothing is left to settle'])
})

test('signing out that does not end the session', async () => {
  const { sessions } = standIn
  const end = sessions.end.bind(sessions)
  assert.deepEqual(
    await failing(undefined, () => {
      sessions.end = () => undefined
      return () => {
        sessions.end = end
      }
    }),
    ['the owner can sign out'],
  )
})

test('a page that leads away, and a screen that can’t be read: a failed check each, and the others go on', async () => {
  const names = await failing((url, html) =>
    url === '/office/settings' ? '<html><body>Closed for today</body></html>' : html,
  )
  // the settings are read for the comparison too, and without it no item's address is known
  assert.deepEqual(names, ['nothing is left to settle', "the dashboard's screen “settings” opens"])
  const away = await meeting(leadAway, failing)
  assert.deepEqual(away, ['/what-we-mend/ shows “toasters”', 'the page “What we mend” shows its text'].reverse())
})

test('a server that fails at each reading once: all is looked at, and nothing fails; one that goes on failing does', async () => {
  const met = new Set<string>()
  const failFirst = (request: IncomingMessage, response: ServerResponse) => {
    if (request.method !== 'GET' || met.has(request.url ?? '')) return
    met.add(request.url ?? '')
    failNow(request, response)
  }
  assert.deepEqual(await meeting(failFirst, failing), [])
  assert.ok(met.size > 20)
  let looks = 0
  const failOn = (request: IncomingMessage, response: ServerResponse) => {
    if (request.url === '/office/uploads' && ++looks > 1) failNow(request, response)
  }
  assert.deepEqual(await meeting(failOn, failing), ["the dashboard's screen “uploads” opens"])
  assert.equal(looks, 3)
})

type OnRequest = (request: IncomingMessage, response: ServerResponse) => void
async function meeting<T>(trouble: OnRequest, run: () => Promise<T>): Promise<T> {
  standIn.app.server.prependListener('request', trouble)
  try {
    return await run()
  } finally {
    standIn.app.server.off('request', trouble)
  }
}
const answerWith =
  (status: number, headers: OutgoingHttpHeaders = {}): OnRequest =>
  (request, response) => {
    request.url = '/nowhere'
    const writeHead = response.writeHead.bind(response)
    Object.assign(response, { writeHead: () => writeHead(status, headers) })
  }
const failNow = answerWith(500)
const leadAway: OnRequest = (request, response) => {
  if (request.url === '/what-we-mend/') answerWith(302, { location: 'http://127.0.0.1:9/' })(request, response)
}

test('other hosts that the front page loads from are told, and fail nothing; an address without https as well', async () => {
  standIn.tamper = on(
    '/',
    '</head>',
    '<script src="https://counter.example/c.js"></script><img src="//pics.example/a.png"></head>',
  )
  const { notes, failed } = await confirm(smallBaseline(standIn.address), standIn.options)
  standIn.tamper = undefined
  assert.deepEqual(
    [failed, notes.map(({ text }) => / from (\S+), which learns who looked$/.exec(text)?.[1])],
    [0, ['counter.example', 'pics.example']],
  )
  assert.deepEqual((await confirm(smallBaseline(standIn.address), standIn.options)).notes, [])
  const site = (says: string, leadsTo?: string) =>
    remarksOn(
      {
        site: {
          home: 'https://quay.example/',
          surveyed: { findings: { variants: [{ address: 'http://quay.example/', says, leadsTo }] } },
        } as unknown as Parameters<typeof remarksOn>[0]['site'],
      },
      undefined,
    ).map(({ text }) => text)
  assert.match(site('answers (HTTP 200)')[0] ?? '', /^http:\/\/quay\.example\/ answers too, and does not lead to https/)
  assert.deepEqual([site('leads on', 'https://quay.example/'), site('nothing listens there')], [[], []])
})

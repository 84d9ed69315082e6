import assert from 'node:assert/strict'
import { readdirSync, readFileSync, statSync } from 'node:fs'
import { join } from 'node:path'
import { after, test } from 'node:test'
import { Ajv2020 } from 'ajv/dist/2020.js'
import { compareSite, confirm, settle, Secret, type RunEvent, type RunOptions, type System } from 'unpack'
import { schemas } from '../../src/cli/schemas.js'
import type { StandInOptions } from '../../stand-ins/blog/server/index.js'
import { standInBlogSystem } from '../../stand-ins/blog/adapter/index.js'
import { demoBaseline, smallBaseline } from '../help/demo.js'
import { folder } from '../help/folders.js'
import { serve } from '../help/pages.js'
import { ownFolders, runningStandIn, writesAt, type RunningStandIn } from '../help/sites.js'

const root = folder()
const open: RunningStandIn[] = []
after(() => Promise.all(open.map((standIn) => standIn.close())))
const stand = async (standing: StandInOptions['standing'] = 'first-run', base = '/') => {
  const standIn = await runningStandIn(root, { standing, base })
  open.push(standIn)
  return standIn
}
const ajv = new Ajv2020({ allowUnionTypes: true })

test('the demo, from the first-run form to a confirmed blog, in the root and in a folder', async () => {
  for (const base of ['/', '/blog/']) {
    const standIn = await stand('first-run', base)
    // the checks of the file are places on the site, wherever that lives
    const done = await settle(demoBaseline(standIn.address), standIn.options)
    assert.deepEqual(done.failed, [])
    assert.deepEqual(
      done.checks.filter(({ ok }) => !ok),
      [],
    )
    assert.equal(done.writes, writesAt(standIn))
    assert.equal(standIn.blog.settings.title, 'Lantern Street Repair Café')
    assert.deepEqual(
      [
        standIn.blog.posts.length,
        standIn.blog.comments.length,
        standIn.blog.pages.map(({ slug }) => slug),
        standIn.blog.pages[0]?.id,
        standIn.blog.themes.map(({ name }) => name),
      ],
      [3, 0, ['home', 'what-we-mend', 'cannot-mend', 'visit', 'news'], 2, ['lantern']],
    )
    const again = await settle(demoBaseline(standIn.address), standIn.options)
    assert.deepEqual([again.writes, again.settled, again.comparison.differences], [0, [], []])
  }
})

test('the record: a journal with what stood there before, a report as HTML and JSON, for nobody else’s eyes', async () => {
  const standIn = await stand()
  const { record = '' } = await settle(smallBaseline(standIn.address), standIn.options)
  assert.equal(statSync(record).mode & 0o777, 0o700)
  assert.deepEqual(readdirSync(record).sort(), [
    'exchange.har',
    'journal.jsonl',
    'removed',
    'report.html',
    'report.json',
    'report.xml',
  ])
  const lines = readFileSync(join(record, 'journal.jsonl'), 'utf8')
    .trim()
    .split('\n')
    .map((line) => JSON.parse(line) as Record<string, unknown>)
  const validLine = ajv.compile(schemas.journal())
  for (const line of lines) assert.ok(validLine(line), JSON.stringify(validLine.errors))
  assert.deepEqual(lines.find(({ ref, event }) => ref === 'categories/repairs' && event === 'begun')?.was, {
    name: 'Everything',
    slug: 'everything',
    description: '',
  })
  const report: unknown = JSON.parse(readFileSync(join(record, 'report.json'), 'utf8'))
  const validReport = ajv.compile(schemas.report())
  assert.ok(validReport(report), JSON.stringify(validReport.errors))
  const html = readFileSync(join(record, 'report.html'), 'utf8')
  for (const words of [
    'As planned',
    'What stood there',
    'user name',
    '“Ines”',
    'Lantern Street Repair Café',
    'removed/posts_a_first_post.json',
    'the page “Data and privacy”',
  ])
    assert.ok(html.includes(words), words)
  assert.doesNotMatch(html, /<script|src=|http-equiv="refresh"/)
})

test('the password is nowhere but in the form and the logins file', async () => {
  const standIn = await stand()
  const events: RunEvent[] = []
  const done = await settle(smallBaseline(standIn.address), { ...standIn.options, on: (event) => events.push(event) })
  const password = standIn.blog.accounts[0]?.password ?? ''
  assert.ok(password.length >= 20)
  const all = (path: string): string =>
    statSync(path).isDirectory()
      ? readdirSync(path)
          .map((name) => all(join(path, name)))
          .join('')
      : readFileSync(path, 'utf8')
  for (const text of [
    JSON.stringify(done),
    JSON.stringify(events),
    all(standIn.options.records),
    all(standIn.options.state),
    readFileSync(standIn.options.logins.file, 'utf8'),
  ])
    assert.ok(!text.includes(password))
})

test('somebody’s own items: refused with nothing written; with --in-use only named items are touched', async () => {
  const standIn = await stand('in-use')
  await standIn.options.logins.put(standIn.address, 'boss', new Secret('harbour-light-41'))
  const baseline = smallBaseline(standIn.address, (text) => text.replace('username: marlow', 'username: boss'))
  await assert.rejects(settle(baseline, standIn.options), { code: 'in-use', exit: 3 })
  assert.equal(writesAt(standIn), 0)
  const done = await settle(baseline, { ...standIn.options, inUse: true, confirm: false })
  assert.deepEqual(done.failed, [])
  assert.ok(
    standIn.blog.posts.some(({ slug }) => slug === 'a-first-post') &&
      standIn.blog.pages.some(({ slug }) => slug === 'our-boat') &&
      standIn.blog.pages.some(({ slug }) => slug === 'an-example-page'),
  )
  assert.match(done.comparison.notes.map(({ text }) => text).join(), /nothing is taken over/)
})

test('set up by somebody else: no login stored, and one that does not open', async () => {
  const standIn = await stand('fresh')
  await assert.rejects(settle(smallBaseline(standIn.address), standIn.options), { code: 'login-missing', exit: 4 })
  await standIn.options.logins.put(standIn.address, 'marlow', new Secret('wrong-password-of-mine'))
  await assert.rejects(settle(smallBaseline(standIn.address), standIn.options), { code: 'login-refused', exit: 4 })
  assert.equal(writesAt(standIn), 0)
})

test('a user name that differs from the existing one is by hand', async () => {
  const standIn = await stand('fresh')
  // the only login there is for this address signs in
  await standIn.options.logins.put(standIn.address, 'boss', new Secret('harbour-light-41'))
  const { comparison } = await compareSite(smallBaseline(standIn.address), standIn.options)
  assert.deepEqual(
    comparison.byHand.map(({ ref }) => ref),
    ['owner.username'],
  )
  const done = await settle(smallBaseline(standIn.address), standIn.options)
  assert.deepEqual(done.failed, [])
  assert.deepEqual(
    done.checks.filter(({ ok }) => !ok).map(({ name, detail }) => `${name}: ${detail}`),
    ['nothing is left to settle: not as planned: owner.username (by hand)'],
  )
})

test('a shipped item that was edited stays and is reported, the rest is settled', async () => {
  const standIn = await stand('fresh')
  await standIn.options.logins.put(standIn.address, 'boss', new Secret('harbour-light-41'))
  const [post] = standIn.blog.posts
  const [page] = standIn.blog.pages
  assert.ok(post && page)
  Object.assign(post, { title: 'My first', edited: '2026-11-25T00:00:00Z' })
  Object.assign(page, { body: '<p>About me.</p>', edited: '2026-11-25T00:00:00Z' })
  const baseline = smallBaseline(standIn.address, (text) => text.replace('username: marlow', 'username: boss'))
  const done = await settle(baseline, { ...standIn.options, confirm: false })
  assert.deepEqual(done.failed, [])
  assert.deepEqual(done.comparison.kept.map(({ ref }) => ref).sort(), [
    'pages/an-example-page',
    'posts/a-first-post',
    'theme/plain',
  ])
  assert.match(done.comparison.notes.map(({ text }) => text).join(), /“Home” is made new/)
  assert.ok(standIn.blog.pages.some(({ body }) => body === '<p>About me.</p>'))
})

test('nothing chosen: nothing written, nothing begun', async () => {
  const standIn = await stand()
  const done = await settle(smallBaseline(standIn.address), { ...standIn.options, choose: () => undefined })
  assert.deepEqual([done.record, done.writes, done.open.length, writesAt(standIn)], [undefined, 0, 18, 0])
})

test('what the first-run form leaves and was not expected is asked about on its own', async () => {
  const standIn = await stand()
  const surprising = {
    ...standInBlogSystem,
    ships: (baseline: Parameters<System['ships']>[0]) => ({
      ...standInBlogSystem.ships(baseline),
      posts: [],
      comments: [],
    }),
  }
  const late: string[][] = []
  const done = await settle(smallBaseline(standIn.address), {
    ...standIn.options,
    confirm: false,
    systems: [surprising],
    choose: (choice) => {
      if (choice.late) late.push(choice.differences.map(({ ref }) => ref))
      return choice.late ? undefined : choice.differences
    },
  })
  assert.deepEqual(late, [['posts/a-first-post', 'comments/1']])
  assert.deepEqual(
    [standIn.blog.posts.length, done.open.map(({ ref }) => ref)],
    [1, ['posts/a-first-post', 'comments/1']],
  )
})

/** Breaks the connection at one request, before or after it was carried out. */
function breakAt(standIn: RunningStandIn, which: RegExp, when: 'before' | 'after'): void {
  let broken = false
  standIn.app.server.prependListener('request', (request, response) => {
    if (broken || request.method !== 'POST' || !which.test(request.url ?? '')) return
    broken = true
    if (when === 'before') {
      request.url = '/nowhere'
      request.socket.destroy()
    } else
      Object.assign(response, {
        writeHead: () => {
          request.socket.destroy()
          return response
        },
      })
  })
}

for (const when of ['before', 'after'] as const) {
  test(`a lost answer, ${when} the site did it: the site is read again, and nothing is made twice`, async () => {
    const standIn = await stand()
    breakAt(standIn, /office\/pages\/new/, when)
    const done = await settle(smallBaseline(standIn.address), standIn.options)
    assert.deepEqual([done.failed, done.checks.filter(({ ok }) => !ok)], [[], []])
    assert.deepEqual(
      standIn.blog.pages.map(({ slug }) => slug),
      ['home', 'what-we-mend', 'visit'],
    )
  })
}

test('a lost answer of the first-run form: the stored login tells whose site it is', async () => {
  const standIn = await stand()
  breakAt(standIn, /setup/, 'after')
  const done = await settle(smallBaseline(standIn.address), { ...standIn.options, confirm: false })
  assert.deepEqual(done.failed, [])
  assert.equal(standIn.blog.accounts.length, 1)
  const other = await stand()
  breakAt(other, /setup/, 'before')
  await assert.rejects(settle(smallBaseline(other.address), other.options), { code: 'lost-answer', exit: 5 })
  const on = await settle(smallBaseline(other.address), { ...other.options, confirm: false })
  assert.deepEqual(on.failed, [])
})

test('a session that ends part-way is renewed once, where it is', async () => {
  const standIn = await stand()
  let sent = 0
  const done = await settle(smallBaseline(standIn.address), {
    ...standIn.options,
    on: (event) => {
      if (event.is === 'sent' && ++sent === 4) standIn.sessions.endAll()
    },
  })
  assert.deepEqual([done.failed, done.checks.filter(({ ok }) => !ok)], [[], []])
})

test('stopped at any step, the next run goes on and ends in the same state', async () => {
  const state = (standIn: RunningStandIn) => ({
    pages: standIn.blog.pages.map(({ slug, body }) => [slug, body]).sort(),
    categories: standIn.blog.categories.map(({ slug, name }) => [slug, name]).sort(),
    settings: standIn.blog.settings,
    posts: standIn.blog.posts.length,
  })
  const straight = await stand()
  await settle(smallBaseline(straight.address), { ...straight.options, confirm: false })
  for (const at of [1, 2, 5, 7, 10]) {
    const standIn = await stand()
    const controller = new AbortController()
    let sent = 0
    const on = (event: RunEvent) => {
      if (event.is === 'sent' && ++sent === at) controller.abort()
    }
    await assert.rejects(
      settle(smallBaseline(standIn.address), { ...standIn.options, on, signal: controller.signal }),
      {
        code: 'stopped',
        exit: 130,
      },
    )
    const done = await settle(smallBaseline(standIn.address), { ...standIn.options, confirm: false })
    assert.deepEqual(done.failed, [], `stopped at ${at}`)
    assert.deepEqual(state(standIn), state(straight), `stopped at ${at}`)
  }
})

test('two runs at once: one is refused, and one clean site comes of it', async () => {
  const standIn = await stand()
  const runs = await Promise.allSettled(
    [1, 2].map(() => settle(smallBaseline(standIn.address), { ...standIn.options, confirm: false })),
  )
  const refused = runs.filter((run) => run.status === 'rejected')
  assert.equal(refused.length, 1)
  assert.equal((refused[0]?.reason as { code: string }).code, 'locked')
  assert.deepEqual(standIn.blog.pages.length, 3)
})

test('a value the site passes over without a word is told as failed', async () => {
  const standIn = await stand()
  const done = await settle(
    smallBaseline(standIn.address, (text) => text.replace('language: en', 'language: it')),
    { ...standIn.options, confirm: false },
  )
  assert.deepEqual(
    done.failed.map(({ ref, code }) => [ref, code]),
    [['site', 'not-taken']],
  )
  assert.equal(standIn.blog.pages.length, 3)
})

test('what the site refuses is told, and what needs it is not tried', async () => {
  const standIn = await stand()
  await settle(
    smallBaseline(standIn.address, (text) => text.replace(/pages:[\s\S]*/, '').replace(/categories:[\s\S]*/, '')),
    { ...standIn.options, confirm: false },
  )
  breakAt(standIn, /never/, 'before')
  standIn.app.server.prependListener('request', (request) => {
    if (request.method === 'POST' && /categories/.test(request.url ?? '')) request.url = '/office/nowhere'
  })
  const baseline = smallBaseline(standIn.address, (text) =>
    text.replace('    replaces: shipped # the category the system came with becomes this one\n', ''),
  )
  const done = await settle(baseline, { ...standIn.options, confirm: false })
  const codes = Object.fromEntries(done.failed.map(({ ref, code }) => [ref, code]))
  assert.deepEqual(codes, {
    'categories/repairs': 'refused-by-site',
    'categories/bicycles': 'waits-for',
    'categories/lamps': 'waits-for',
    'categories/opening-days': 'refused-by-site',
  })
})

test('refused before anything is sent: another address, a version not proven, plain http, no system, nothing there', async () => {
  const options: RunOptions = { systems: [standInBlogSystem], ...(await ownFolders(root)) }
  const leads = await serve({ '/': { status: 302, headers: { location: '/blog/' } }, '/blog/': '<p>A</p>' })
  const away = await serve({ '/': { status: 301, headers: { location: leads.address } } })
  await assert.rejects(settle(smallBaseline(away.address), options), { code: 'address-leads-elsewhere', exit: 2 })
  const old = await stand()
  old.tamper = (_url, html) => html.replace('Stand-in blog 1.0', 'Stand-in blog 0.9')
  await assert.rejects(settle(smallBaseline(old.address), old.options), { code: 'not-proven', exit: 3 })
  assert.deepEqual(
    (await settle(smallBaseline(old.address), { ...old.options, unproven: true, confirm: false })).failed,
    [],
  )
  const far = await stand()
  const port = Number(new URL(far.address).port)
  const resolve = () => ({ host: '127.0.0.1', port })
  await assert.rejects(settle(smallBaseline('http://repair.example/'), { ...far.options, resolve }), {
    code: 'plain-http',
    exit: 3,
  })
  assert.deepEqual(
    (
      await settle(smallBaseline('http://repair.example/'), {
        ...far.options,
        resolve,
        plainHttp: true,
        confirm: false,
      })
    ).failed,
    [],
  )
  const blank = await serve({ '/': '' })
  await assert.rejects(settle(smallBaseline(blank.address), options), { code: 'no-system', exit: 3 })
  for (const status of [500, 503, 401])
    await assert.rejects(settle(smallBaseline((await serve({ '/': { status, body: 'no' } })).address), options), {
      code: 'cannot-open',
      exit: 4,
    })
  await assert.rejects(settle(smallBaseline('http://nobody.invalid:8080/'), options), {
    code: 'nothing-there',
    exit: 4,
  })
})

test('a first-run form that needs what the file leaves out, and one that refuses', async () => {
  const standIn = await stand()
  await assert.rejects(
    settle(
      smallBaseline(standIn.address, (text) => text.replace(/ {2}email:.*\n/, '')),
      standIn.options,
    ),
    { code: 'first-run-needs', exit: 2 },
  )
  standIn.app.server.prependListener('request', (request) => {
    if (request.method === 'POST' && request.url === '/setup') request.headers['content-type'] = 'text/plain'
  })
  await assert.rejects(settle(smallBaseline(standIn.address), standIn.options), { exit: 5 })
  await assert.rejects(confirm(smallBaseline(standIn.address), standIn.options), { code: 'first-run-waits', exit: 1 })
})

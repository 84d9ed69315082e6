import assert from 'node:assert/strict'
import { after, test } from 'node:test'
import { confirm, settle, type RunEvent, type RunOptions, type System } from 'unpack'
import type { StandInOptions } from '../../stand-ins/blog/server/index.js'
import { standInBlogSystem } from '../../stand-ins/blog/adapter/index.js'
import { long } from '../help/long.js'
import { smallBaseline } from '../help/demo.js'
import { folder } from '../help/folders.js'
import { serve } from '../help/pages.js'
import { anywhere, ownFolders, runningStandIn, type RunningStandIn } from '../help/sites.js'

const root = folder()
const open: RunningStandIn[] = []
after(() => Promise.all(open.map((standIn) => standIn.close())))
const stand = async (standing: StandInOptions['standing'] = 'first-run', base = '/') => {
  const standIn = await runningStandIn(root, { standing, base })
  open.push(standIn)
  return standIn
}

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

test('what the first-run form leaves and was not expected is asked about on its own', async () => {
  const standIn = await stand()
  const surprising = {
    ...standInBlogSystem,
    areas: {
      ...standInBlogSystem.areas,
      posts: { ...standInBlogSystem.areas.posts, ships: () => [] },
      comments: { ...standInBlogSystem.areas.comments, ships: () => [] },
    },
  } as System
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

for (const when of ['before', 'after'] as const) {
  test(`a lost answer, ${when} the site did it: the site is read again, and nothing is made twice`, async () => {
    const standIn = await stand()
    breakAt(standIn, /office\/pages\/new/, when)
    const done = await settle(smallBaseline(standIn.address), standIn.options)
    assert.deepEqual([done.failed, done.checks.filter(({ outcome }) => outcome === 'failed')], [[], []])
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
  assert.deepEqual([done.failed, done.checks.filter(({ outcome }) => outcome === 'failed')], [[], []])
})

test('stopped at any step, the next run goes on and ends in the same state', long, async () => {
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

test('a value the site passes over without a word is told as failed; one that it has not got, with those it has', async () => {
  const { site } = standInBlogSystem.areas
  const silent = { ...standInBlogSystem, areas: { ...standInBlogSystem.areas, site: { ...site, choices: undefined } } }
  for (const [system, code, text] of [
    [silent, 'not-taken', /^The site answered, but did not take it: site$/],
    [standInBlogSystem, 'not-here', /^the site has no language “it”; it has: en, de, fr, ja$/],
  ] as const) {
    const standIn = await stand()
    const plan = smallBaseline(standIn.address, (text) => text.replace('language: en', 'language: it'))
    const done = await settle(plan, { ...standIn.options, systems: [system as System], confirm: false })
    assert.deepEqual(
      done.failed.map(({ ref, code }) => [ref, code]),
      [['site', code]],
    )
    assert.match(done.failed[0]?.text ?? '', text)
  }
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
  const systems = [anywhere(standInBlogSystem)]
  await assert.rejects(settle(smallBaseline('http://repair.example/'), { ...far.options, systems, resolve }), {
    code: 'plain-http',
    exit: 3,
  })
  assert.deepEqual(
    (
      await settle(smallBaseline('http://repair.example/'), {
        ...far.options,
        systems,
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

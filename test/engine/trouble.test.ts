import assert from 'node:assert/strict'
import { readdirSync, readFileSync } from 'node:fs'
import { createServer, type Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import { join } from 'node:path'
import { after, test } from 'node:test'
import { compareSite, confirm, settle, survey, UnpackError, type RunEvent, type System } from 'unpack'
import { standInBlogSystem } from '../../stand-ins/blog/adapter/index.js'
import { folder } from '../help/folders.js'
import { runningForum } from '../help/forum.js'
import { long } from '../help/long.js'
import { planned } from '../help/plan.js'
import { smallBaseline, demoBaseline } from '../help/demo.js'
import { anywhere, runningStandIn, writesAt } from '../help/sites.js'
import { watchers } from '../help/watchers.js'

const root = folder()
const open: { close(): unknown }[] = []
after(() => Promise.all(open.map((one) => one.close())))
const stand = async () => {
  const one = await runningStandIn(root, { standing: 'first-run' })
  open.push(one)
  return one
}

/** Refuses a form once. */
function refuseOnce({ app }: { app: { server: Server } }, place: string): void {
  let refused = false
  app.server.prependListener('request', (request: { method?: string; url?: string }) => {
    if (refused || request.method !== 'POST' || request.url !== place) return
    refused = true
    request.url = '/office/nowhere'
  })
}

test('at the address that a site moves to, the password is sent to nobody but that site', async () => {
  const seen: string[] = []
  const stranger = createServer((request, response) => {
    let body = ''
    request.on('data', (part: Buffer) => (body += part.toString()))
    request.on('end', () => {
      seen.push(`${request.method} ${request.headers.authorization ?? ''}${body}`)
      // it looks like one of its sort, and is another site
      response.end(
        '<html><head><meta name="generator" content="Stand-in blog 1.0"><meta name="since" content="2020"></head><body><main></main></body></html>',
      )
    })
  })
  await new Promise<void>((resolve) => stranger.listen(0, '127.0.0.1', resolve))
  open.push({ close: () => stranger.close() })
  const site = await stand()
  const later = `http://quay.example:${(stranger.address() as AddressInfo).port}/`
  const [here, there] = [Number(new URL(site.address).port), (stranger.address() as AddressInfo).port]
  const resolve = (_host: string, port: number) => ({ host: '127.0.0.1', port: port === there ? there : here })
  const plan = planned(later, 'pages: [{ title: Home, slug: home }]', {}, undefined, `, reachedAt: "${site.address}"`)
  const own = { ...site.options, systems: [anywhere(standInBlogSystem)], resolve }
  await assert.rejects(settle(plan, own), { code: 'plain-http' })
  assert.equal(writesAt(site), 0)
  const done = await settle(plan, { ...own, plainHttp: true })
  assert.match(
    done.comparison.byHand.map(({ text }) => text).join(),
    /another site answers there.*no password was sent/,
  )
  assert.ok(seen.length > 0 && seen.every((line) => line === 'GET '), seen.join('\n'))
})

test('a page that is not the one that was asked for stops the run before anything is written, is named, and is kept', async () => {
  const site = await stand()
  const own = { ...site.options, confirm: false }
  await settle(smallBaseline(site.address), own)
  const before = writesAt(site)
  site.tamper = (url, html) =>
    /office\/pages$/.test(url)
      ? '<html><body class="closed"><h1>Order of Gwen Tide</h1><a href="mailto:gwen@tide.example">gwen@tide.example</a></body></html>'
      : html
  for (const call of [settle, compareSite])
    await assert.rejects(call(smallBaseline(site.address), own), (error) => {
      assert.ok(error instanceof UnpackError && error.code === 'screen-unexpected')
      assert.match(`${error.message} ${error.next ?? ''}`, /office\/pages.*is kept: .*unexpected\.html/)
      return true
    })
  assert.equal(writesAt(site), before)
  const kept = readdirSync(own.records, { recursive: true }).map(String)
  const page = kept.find((name) => name.endsWith('unexpected.html'))
  assert.ok(page)
  // by its structure alone: a page that came instead may show who ordered, or who wrote
  const text = readFileSync(join(own.records, page), 'utf8')
  assert.match(text, /<body class="closed">.*<h1>\[18\]<\/h1>/s)
  assert.doesNotMatch(text, /Gwen|tide/)
})

test('what a function of the calling program throws is reported with its name', async () => {
  const fails = () => {
    throw new Error('out of coffee')
  }
  const site = await stand()
  const mine = { ...site.options, confirm: false }
  // what reads a login is asked for before anything is sent, and what stores one in the middle of it
  const logins = (name: 'find' | 'put') =>
    new Proxy(site.options.logins, { get: (own, key) => (key === name ? fails : bound(own, key)) })
  for (const [what, more] of [
    ['choose', { choose: fails }],
    ['logins', { logins: logins('find') }],
    ['logins', { logins: logins('put') }],
  ] as const)
    await assert.rejects(settle(smallBaseline(site.address), { ...mine, ...more }), (error: unknown) => {
      assert.ok(error instanceof UnpackError)
      assert.deepEqual([error.code, error.exit], ['caller-failed', 5])
      assert.match(error.message, new RegExp(`“${what}” of the program that called Unpack failed: out of coffee`))
      return true
    })
})
const bound = (own: object, key: PropertyKey): unknown => {
  const value: unknown = Reflect.get(own, key)
  return typeof value === 'function' ? (value as (...given: unknown[]) => unknown).bind(own) : value
}

test('a listener that fails stops nothing', async () => {
  const site = await stand()
  const done = await settle(smallBaseline(site.address), {
    ...site.options,
    confirm: false,
    on: () => {
      throw new Error('the program that listens has trouble of its own')
    },
  })
  assert.deepEqual([done.failed, done.open], [[], []])
})

test('stopped while a system is being recognised ends as stopped, with its reason; so does every other stop', async () => {
  const stop = new AbortController()
  const slow: System = {
    ...standInBlogSystem,
    recognise: async ({ get }) => (stop.abort('enough'), await get('/'), undefined),
  }
  const site = await stand()
  await assert.rejects(
    survey(site.address, { systems: [slow], signal: stop.signal }),
    (error) =>
      error instanceof UnpackError && error.code === 'stopped' && error.exit === 130 && error.cause === 'enough',
  )
})

for (const way of ['stopped by Ctrl-C', 'killed'] as const)
  test(`a trial that is ${way} leaves nothing behind, or is recognised and taken away`, long, async () => {
    const site = await runningForum(root, (one) => open.push(one))
    await settle(watchers(site.address), { ...site.options, confirm: false })
    const { board } = site
    const stop = new AbortController()
    let writes = 0
    const cut = way === 'killed'
    const options = {
      ...site.options,
      signal: stop.signal,
      try: true,
      watch:
        ({ url, purpose }: { url: string; purpose: string }) =>
        () => {
          if (purpose !== 'write' || !/forum\/\d+/.test(url) || ++writes !== 3) return
          // as if the process were gone: nothing that comes after is answered
          if (cut) site.app.server.prependListener('request', (request) => request.socket.destroy())
          stop.abort()
        },
    }
    await assert.rejects(confirm(watchers(site.address), options))
    if (cut) {
      site.app.server.removeAllListeners('request')
      site.app.server.on('request', (site.app as unknown as { routing: (...args: unknown[]) => void }).routing)
      assert.ok(board.topics.some(({ title }) => title.includes('unpack-')))
      const seen = await compareSite(watchers(site.address), site.options)
      assert.ok(seen.comparison.differences.every(({ is, ref }) => is === 'left over' && ref.startsWith('topics/')))
      assert.deepEqual(seen.comparison.others, [])
      const again = await confirm(watchers(site.address), { ...site.options, try: true })
      assert.equal(again.failed, 0, JSON.stringify(again.checks.filter(({ outcome }) => outcome === 'failed')))
    }
    assert.deepEqual(
      board.topics.map(({ title }) => title),
      [],
    )
  })

test('a group of the owner’s own keeps nothing from being settled in a forum in use', async () => {
  const site = await runningForum(root, (one) => open.push(one))
  site.board.groups.push({ id: 80, name: 'Crew', description: 'Ours' })
  const own = { ...site.options, confirm: false, inUse: true }
  const first = await settle(watchers(site.address), own)
  assert.deepEqual(first.failed, [])
  const again = await settle(watchers(site.address), own)
  assert.deepEqual([again.writes, again.comparison.differences.map(({ ref }) => ref)], [0, []])
})

test('where making a group failed, the next run heals', async () => {
  const site = await runningForum(root, (one) => open.push(one))
  const own = { ...site.options, confirm: false }
  refuseOnce(site, '/office/groups/new')
  assert.ok((await settle(watchers(site.address), own)).failed.length > 0)
  assert.deepEqual((await settle(watchers(site.address), own)).failed, [])
  assert.equal((await settle(watchers(site.address), own)).writes, 0)
})

test('a link that was refused and made later is found in whatever order it stands', async () => {
  const site = await stand()
  refuseOnce(site, '/office/links/new')
  await settle(demoBaseline(site.address), site.options)
  const done = await settle(demoBaseline(site.address), site.options)
  assert.deepEqual([done.failed, done.checks.filter(({ outcome }) => outcome === 'failed')], [[], []])
})

test('a run that dies after it closed the site says so, and the next opens it, or says that it is closed', async () => {
  const site = await runningForum(root, (one) => open.push(one))
  const stop = new AbortController()
  let sent = 0
  const on = (event: RunEvent) => {
    if (event.is === 'carried' && ++sent === 3) stop.abort()
  }
  await assert.rejects(
    settle(watchers(site.address), { ...site.options, on, signal: stop.signal }),
    (error) => error instanceof UnpackError && /closed to visitors/.test(error.next ?? ''),
  )
  assert.equal(site.board.settings.open, false)
  const without = watchers(site.address, (text) => text.replace(/ {2}open: .*\n/, ''))
  const told = await compareSite(without, site.options)
  assert.match(told.comparison.notes.map(({ text }) => text).join(), /has closed the site/)
  await settle(watchers(site.address), { ...site.options, confirm: false })
  assert.equal(site.board.settings.open, true)
  assert.ok(readdirSync(join(site.options.state)).length > 0)
})

test('stand-ins are known on this machine’s own addresses alone', async () => {
  const site = await stand()
  const port = Number(new URL(site.address).port)
  const resolve = () => ({ host: '127.0.0.1', port })
  assert.notEqual(
    (await survey(`http://quay.example:${port}/`, { systems: [standInBlogSystem], resolve })).standing,
    'first-run',
  )
})

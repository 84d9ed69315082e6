import assert from 'node:assert/strict'
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { test } from 'node:test'
import { builtIn, compareSite, confirm, settle, survey, type Baseline } from 'unpack'
import { failed } from '../help/failed.js'
import { folder } from '../help/folders.js'
import { labContent, unmadeSite } from '../help/lab-content.js'
import { planned } from '../help/plan.js'
import { zipOf } from '../help/zip.js'
import { inGerman, museumBaseline } from '../help/museum.js'

const root = folder()
const content = await labContent('content')

const site = () => unmadeSite(content, root)
const inside = (address: string, place: string) => `${address}${place}`

/** Settles, and expects that all is as planned, and that a second run sends nothing, as a server in front of the site counts. */
async function settledForGood(
  address: string,
  baseline: Baseline,
  options: Awaited<ReturnType<typeof site>>['options'],
) {
  const done = await settle(baseline, options)
  assert.deepEqual([done.failed, failed(done.checks)], [[], []])
  const before = content.writes(address).length
  const again = await settle(baseline, { ...options, confirm: false })
  assert.deepEqual(again.comparison.differences, [])
  assert.deepEqual(content.writes(address).slice(before), [])
  return done
}

test('from its first run on: the museum, settled and confirmed, a second run writes nothing, and no password is kept', async () => {
  const { address, options } = await site()
  const found = await survey(address, { systems: builtIn })
  assert.deepEqual([found.standing, found.safe, found.findings.system?.id], ['first-run', true, 'plone'])
  const done = await settledForGood(address, museumBaseline(address), options)
  // beside the site's own folder, its server is asked for what docs/safety.md names, and robots.txt is looked at
  const beside = content.before.passed.filter(({ url }) => !url.startsWith(new URL(address).pathname.slice(0, -1)))
  assert.deepEqual([...new Set(beside.map(({ method, url }) => `${method} ${url}`))].sort(), [
    'GET /++api++/@sites',
    'GET /@sites',
    'GET /@sites/classic',
    'GET /robots.txt',
    'POST /@sites',
  ])
  assert.equal(done.checks.find(({ name }) => name === '“rota” lets member hemp in')?.outcome, 'passed')
  // no cookie of whoever looks after the server was ever asked for: it would hold the password itself
  const har = readFileSync(join(done.record ?? '', 'exchange.har'), 'utf8')
  for (const { password } of options.logins.list())
    for (const form of [password.reveal(), encodeURIComponent(password.reveal()), btoa(`boss:${password.reveal()}`)])
      assert.ok(!har.includes(form))
  // tried as well: comments wait, members may change what they may change, and nothing is left of it
  const tried = await confirm(museumBaseline(address), { ...options, try: true })
  assert.deepEqual(failed(tried.checks), [])
  assert.equal((await compareSite(museumBaseline(address), options)).comparison.differences.length, 0)
})

test('from a start full of examples, in German: they go, the welcome with them, and what somebody edited stays', async () => {
  const { address, options } = await site()
  await content.make(address, { setup_content: true, default_language: 'de' })
  const found = await survey(address, { systems: builtIn })
  assert.deepEqual([found.standing, found.safe], ['fresh', true])
  await settledForGood(address, museumBaseline(address, inGerman), options)
  const welcome = await fetch(inside(address, 'view'))
  assert.doesNotMatch(await welcome.text(), /Get started/)
  assert.equal((await fetch(inside(address, 'Members'))).status, 404)

  // a page of the file that takes over an example: what shipped within it goes as well
  const third = await site()
  await content.make(third.address, { setup_content: true })
  const latest = 'shipped: remove\npages: [{ title: Latest, slug: news }]\nposts: [{ title: Tar, slug: tar }]'
  const marlow = 'username: marlow, email: ines@ropewalk.example, signInAs: boss'
  await settledForGood(third.address, planned(third.address, latest, {}, marlow), third.options)
  const shown = await (await fetch(inside(third.address, 'news'))).text()
  assert.match(shown, /href="[^"]*\/news\/tar"/)
  assert.doesNotMatch(shown, /Site News/)

  const other = await site()
  await content.make(other.address, { setup_content: true })
  await content.ask('PATCH', inside(other.address, 'events'), { title: 'What is on' })
  await content.ask('PATCH', inside(other.address, 'Members'), { id: 'people' })
  const { comparison } = await compareSite(museumBaseline(other.address), other.options)
  const kept = comparison.kept.filter(({ text }) => text.includes('shipped with the system and was edited since'))
  assert.deepEqual(kept.map(({ ref }) => ref).sort(), ['pages/events', 'pages/people'])
})

test('examples where the file asks for them; parts that there aren’t; and a theme that fails keeps no form from being taken', async () => {
  const { address, options } = await site()
  const plan = (rest: string) =>
    planned(address, rest, { 'theme.zip': theme }, 'username: marlow, email: ines@ropewalk.example, signInAs: boss')
  const theme = await zipOf({
    'frayed/manifest.cfg': '[theme]\ntitle = Frayed\nrules = /++theme++frayed/rules.xml\nprefix = /++theme++frayed\n',
    // what it is to be laid over is not there
    'frayed/rules.xml': '<rules xmlns="http://namespaces.plone.org/diazo"><theme href="nowhere.html" /></rules>',
  })
  const bare = { ...options, confirm: false }
  const first = await settle(plan('samples: shipped\nsidebars: { left: [archives] }'), bare)
  assert.match(first.failed[0]?.text ?? '', /no parts? “archives”; it has: navigation/)
  for (const place of ['news', 'events/aggregator', 'Members'])
    assert.equal((await content.ask('GET', inside(address, place))).status, 200, place)
  // pages come as they are, and no form with its token
  const frayed = 'theme: { use: frayed, from: theme.zip }\nmenus: { main: [] }'
  assert.deepEqual((await settle(plan(frayed), bare)).failed, [])
  const form = await content.ask('GET', inside(address, '++contextportlets++plone.leftcolumn/+/portlets.Search'))
  assert.doesNotMatch(await form.text(), /name="_authenticator"/)
  const more = `${frayed}\nsidebars: { left: [search], right: [news], foot: [] }`
  assert.deepEqual((await settle(plan(more), bare)).failed, [])
  assert.deepEqual((await compareSite(plan(more), options)).comparison.differences, [])
})

test('two first runs at once make one site, and somebody’s page under a planned name is left alone', async () => {
  const { address, options } = await site()
  const baseline = museumBaseline(address)
  const other = { ...options, state: join(root, 'another-state') }
  const both = await Promise.allSettled([
    settle(baseline, { ...options, confirm: false }),
    settle(baseline, { ...other, confirm: false }),
  ])
  assert.ok(both.some(({ status }) => status === 'fulfilled'))
  const again = await settle(baseline, { ...options, confirm: false, inUse: true })
  assert.deepEqual(again.failed, [])

  const theirs = await site()
  await content.make(theirs.address)
  await content.ask('POST', theirs.address, {
    '@type': 'Document',
    id: 'welcome',
    title: 'My own',
    text: '<p>Mine.</p>',
  })
  const done = await settle(museumBaseline(theirs.address), { ...theirs.options, confirm: false, inUse: true })
  assert.ok(done.comparison.byHand.some(({ ref }) => ref === 'pages/welcome'))
  const mine = (await (await content.ask('GET', inside(theirs.address, 'welcome'))).json()) as { title: string }
  assert.equal(mine.title, 'My own')
})

test('what is opened by hand fails its own cells and those below it, and no other', async () => {
  const { address, options } = await site()
  const below = (text: string) =>
    text.replace(
      '    may: { edit: [Volunteers] }',
      '    under: [{ title: Weeks, slug: weeks }, { title: Key, slug: key, state: draft }]',
    )
  const baseline = museumBaseline(address, below)
  await settledForGood(address, baseline, options)
  const wrong = async () =>
    (await confirm(baseline, { ...options, again: true })).eyes
      .filter(({ outcome }) => outcome === 'failed')
      .map(({ at, as }) => `${at} ${as}`)
      .sort()
  assert.deepEqual(await wrong(), [])
  // shared with every member: what takes that over is open to them as well
  const entries = [{ id: 'AuthenticatedUsers', type: 'group', roles: { Reader: true } }]
  await content.ask('POST', inside(address, 'rota/@sharing'), { entries })
  assert.deepEqual(await wrong(), ['rota member tar', 'rota/weeks member tar'])
  const { comparison } = await compareSite(baseline, { ...options, again: true })
  assert.deepEqual(
    comparison.differences.map(({ ref }) => ref),
    ['pages/rota', 'pages/rota/weeks'],
  )
  // as its owner has opened it, it stays until they ask for the plan
  const kept = await settle(baseline, { ...options, confirm: false })
  assert.deepEqual([kept.writes, kept.comparison.theirKeys], [0, ['pages/rota#for', 'pages/rota/weeks#for']])
  assert.deepEqual((await settle(baseline, { ...options, confirm: false, again: true })).failed, [])
  assert.deepEqual(await wrong(), [])
  // a right for the whole site opens what is closed: the dashboard shows each page as planned, and eyes do not
  await content.ask('PATCH', inside(address, '@users/tar'), { roles: { Editor: true } })
  assert.ok((await wrong()).includes('rota member tar'))
})

test('led to by an address of its own: settled where it is reached, looked at where visitors find it, and nothing moves', async () => {
  const { address, options } = await site()
  const face = await content.mapped(address)
  const mapped = (to: string) => (text: string) =>
    text.replace(`address: ${address}`, `address: ${to}\n  reachedAt: ${address}`)
  const baseline = museumBaseline(address, mapped(face))
  const done = await settledForGood(address, baseline, options)
  const shown = (name: string) => done.checks.find((check) => check.name === name)?.detail ?? ''
  assert.ok(shown('the page “Opening hours” shows its text').includes(`${face}visit/hours`))
  // each signs in where visitors do
  assert.equal(done.checks.find(({ name }) => name === '“rota” lets member hemp in')?.outcome, 'passed')
  assert.ok(done.eyes.every(({ outcome }) => outcome === 'passed'))
  // one that leads elsewhere is told, and nobody signs in there
  const other = await site()
  await content.make(other.address)
  const wrong = museumBaseline(address, mapped(await content.mapped(other.address)))
  const { comparison } = await compareSite(wrong, options)
  assert.deepEqual([comparison.differences, comparison.byHand.map(({ ref }) => ref)], [[], ['address.address']])
  const looked = await confirm(wrong, options)
  assert.deepEqual(
    failed(looked.checks).map((one) => one.split(':')[0]),
    ['nothing is left to settle'],
  )
})

/** Every tenth stop in the check, every fifth where there is time. */
const APART = process.env.UNPACK_ALL_STOPS === '1' ? 5 : 10

test('stopped among its writes: the next run ends in the same state', async () => {
  const whole = await site()
  await settledForGood(whole.address, museumBaseline(whole.address), whole.options)
  const total = content.writes(whole.address).length
  const places = async (address: string) => {
    const list = await content.ask('GET', inside(address, '@search?b_size=500&metadata_fields=review_state'))
    const { items } = (await list.json()) as {
      items: { '@id': string; '@type': string; review_state: string | null }[]
    }
    return items
      .map((one) => `${one['@type']} ${new URL(one['@id']).pathname.replace(/^\/[^/]+/, '')} ${one.review_state}`)
      .sort()
  }
  const expected = await places(whole.address)
  for (let at = 5; at < total; at += APART) {
    const { address, options } = await site()
    const stop = new AbortController()
    content.before.watch = (_number, when) => {
      if (when === 'after' && content.writes(address).length >= at) stop.abort()
    }
    await settle(museumBaseline(address), { ...options, confirm: false, signal: stop.signal }).catch(() => undefined)
    content.before.watch = undefined
    const done = await settle(museumBaseline(address), { ...options, confirm: false })
    assert.deepEqual(done.failed, [], `stopped after ${at}`)
    const again = await compareSite(museumBaseline(address), options)
    assert.deepEqual(again.comparison.differences, [], `stopped after ${at}`)
    assert.deepEqual(await places(address), expected, `stopped after ${at}`)
  }
})

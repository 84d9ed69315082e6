import assert from 'node:assert/strict'
import { readdirSync, readFileSync, statSync } from 'node:fs'
import { join } from 'node:path'
import { after, test } from 'node:test'
import { Ajv2020 } from 'ajv/dist/2020.js'
import { compareSite, settle, Secret, type RunEvent } from 'unpack'
import { schemas } from '../../src/cli/schemas.js'
import type { StandInOptions } from '../../stand-ins/blog/server/index.js'
import { demoBaseline, smallBaseline } from '../help/demo.js'
import { folder } from '../help/folders.js'
import { runningStandIn, writesAt, type RunningStandIn } from '../help/sites.js'

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
      done.checks.filter(({ outcome }) => outcome === 'failed'),
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
    'posts_a-first-post.json',
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
    done.checks.filter(({ outcome }) => outcome === 'failed').map(({ name, detail }) => `${name}: ${detail}`),
    [`nothing is left to settle: by hand, owner.username: ${comparison.byHand[0]?.text ?? ''}`],
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

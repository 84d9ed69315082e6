import assert from 'node:assert/strict'
import { randomBytes } from 'node:crypto'
import { after, test } from 'node:test'
import { compareSite, settle, type Baseline } from 'unpack'
import type { StandInOptions } from '../../stand-ins/blog/server/index.js'
import { long } from '../help/long.js'
import { folder } from '../help/folders.js'
import { planned } from '../help/plan.js'
import { runningStandIn, writesAt, type RunningStandIn } from '../help/sites.js'
import { standInAddOn, standInTheme, zipOf } from '../help/zip.js'

const root = folder()
const open: RunningStandIn[] = []
after(() => Promise.all(open.map((standIn) => standIn.close())))
const stand = async (options: Partial<StandInOptions> = {}): Promise<RunningStandIn> => {
  const standIn = await runningStandIn(root, { standing: 'first-run', ...options })
  open.push(standIn)
  return standIn
}
const run = (standIn: RunningStandIn, plan: Baseline) => settle(plan, standIn.options)
const outcome = ({ failed }: Awaited<ReturnType<typeof settle>>) => failed.map(({ ref, code }) => `${ref} ${code}`)
const names = (all: readonly { name: string; active: boolean }[]) =>
  all.map(({ name, active }) => `${name}${active ? '*' : ''}`).sort()

test('a bundle: the archive lies deeper, with documentation beside it; parent and child side by side', async () => {
  const child = await standInTheme('harbour-child', { parent: 'harbour' })
  const inner = await zipOf({ 'themes/child.zip': child, 'themes/harbour.zip': await standInTheme('harbour') })
  const bundle = await zipOf({ 'read me.txt': 'Thank you', 'licence/licence.txt': 'MIT', 'to install/all.zip': inner })
  const standIn = await stand()
  const plan = planned(standIn.address, 'shipped: { theme: remove }\ntheme: { use: harbour-child, from: bundle.zip }', {
    'bundle.zip': bundle,
  })
  const { comparison } = await compareSite(plan, standIn.options)
  assert.match(
    comparison.notes.map(({ text }) => text).join('\n'),
    /harbour-child was found in bundle\.zip: to install\/all\.zip: themes\/child\.zip; beside it: harbour/,
  )
  const done = await run(standIn, plan)
  assert.deepEqual([outcome(done), done.checks.filter(({ outcome }) => outcome === 'failed')], [[], []])
  assert.deepEqual(names(standIn.blog.themes), ['harbour', 'harbour-child*'])
  assert.equal((await run(standIn, plan)).writes, 0)
})

test('an older one is updated; a newer one that is there stays', async () => {
  const standIn = await stand()
  const plan = async (version: string) =>
    planned(standIn.address, 'theme: { use: harbour, from: h.zip }', {
      'h.zip': await standInTheme('harbour', { version }),
    })
  for (const [version, there] of [
    ['1.0', '1.0'],
    ['1.10', '1.10'],
    ['1.9', '1.10'],
  ]) {
    assert.deepEqual(outcome(await run(standIn, await plan(version ?? ''))), [])
    assert.equal(standIn.blog.themes.find(({ name }) => name === 'harbour')?.version, there)
  }
})

test(
  'reported before anything is sent: a broken archive, one that holds something else, one that grows without end',
  long,
  async () => {
    const standIn = await stand()
    const use = (bytes: Uint8Array) =>
      run(standIn, planned(standIn.address, 'theme: { use: harbour, from: h.zip }', { 'h.zip': bytes }))
    await assert.rejects(use(new Uint8Array([80, 75, 3, 4, 9, 9])), { code: 'archive-broken', exit: 2 })
    await assert.rejects(use(await zipOf({ 'other/x.txt': 'x' })), { code: 'package-not-found', exit: 2 })
    const bomb = await zipOf({ 'harbour/a.bin': new Uint8Array(300 * 1024 * 1024) })
    await assert.rejects(use(bomb), { code: 'archive-too-large', exit: 2 })
    assert.equal(writesAt(standIn), 0)
  },
)

test('told right after: the parent is missing, the name is too long for the system, the server takes less', async () => {
  const long = 'h'.repeat(60)
  const tries: [string, Uint8Array, RegExp][] = [
    ['orphan', await standInTheme('orphan', { parent: 'nowhere' }), /builds upon is missing/],
    [long, await standInTheme(long), /too long/],
    [
      'heavy',
      await standInTheme('heavy', { css: 'x', text: randomBytes(30_000).toString('base64') }),
      /HTTP 413.*takes less.*ask the host/,
    ],
  ]
  for (const [use, bytes, told] of tries) {
    const standIn = await stand({ largestFile: 20_000 })
    const done = await run(standIn, planned(standIn.address, `theme: { use: ${use}, from: t.zip }`, { 't.zip': bytes }))
    assert.match(done.failed.map(({ text }) => text).join(), told)
    assert.deepEqual(names(standIn.blog.themes.filter(({ active }) => active)), ['plain*'])
  }
})
test('from the catalogue by name; one that it does not know', async () => {
  const standIn = await stand()
  const rest = (name: string) => `theme: { use: ${name} }\naddOns: [{ use: tide-table }]`
  const unknown = await run(standIn, planned(standIn.address, rest('nowhere')))
  assert.match(unknown.failed.map(({ text }) => text).join(), /does not know it/)
  const done = await run(standIn, planned(standIn.address, rest('driftwood')))
  assert.deepEqual(outcome(done), [])
  assert.deepEqual(names(standIn.blog.themes), ['driftwood*', 'plain', 'plainer'])
  assert.deepEqual(names(standIn.blog.addOns), ['smileys', 'tide-table*'])
})

test('what a theme wants with it is listed, and settled where the file names it', async () => {
  const standIn = await stand()
  const theme = await standInTheme('harbour', { wants: ['buoys'] })
  const plan = planned(standIn.address, 'theme: { use: harbour, from: h.zip }\naddOns: [{ use: buoys, from: b.zip }]', {
    'h.zip': theme,
    'b.zip': await standInAddOn('buoys'),
  })
  const done = await run(standIn, plan)
  assert.deepEqual(outcome(done), [])
  assert.match(done.comparison.notes.map(({ text }) => text).join(), /harbour wants with it: buoys/)
  assert.deepEqual(names(standIn.blog.addOns), ['buoys*', 'smileys'])
})

test('an add-on that breaks the site when it works is taken back and told; activate, deactivate, updates of its own', async () => {
  const standIn = await stand()
  const files = { 'b.zip': await standInAddOn('leak', { breaks: true }), 'c.zip': await standInAddOn('buoys') }
  const broken = await run(standIn, planned(standIn.address, 'addOns: [{ use: leak, from: b.zip }]', files))
  assert.match(broken.failed.map(({ text }) => text).join(), /breaks the site .*taken back/)
  assert.deepEqual(names(standIn.blog.addOns), ['leak', 'smileys'])
  assert.deepEqual(
    broken.checks.filter(({ outcome }) => outcome === 'failed').map(({ name }) => name),
    ['nothing is left to settle'],
  )
  const one = (rest: string) =>
    planned(standIn.address, `gone: { addOns: [leak] }\naddOns: [{ use: buoys, from: c.zip, ${rest} }]`, files)
  assert.deepEqual(outcome(await run(standIn, one('updates: automatic'))), [])
  const buoys = () => standIn.blog.addOns.find(({ name }) => name === 'buoys')
  assert.deepEqual([buoys()?.active, buoys()?.automatic, standIn.blog.addOns.length], [true, true, 2])
  assert.deepEqual(outcome(await run(standIn, one('active: false, updates: by hand'))), [])
  assert.deepEqual([buoys()?.active, buoys()?.automatic], [false, false])
})

test('newer versions that wait are told, and taken with “now”', async () => {
  const standIn = await stand()
  await run(standIn, planned(standIn.address))
  const plan = planned(standIn.address, 'updates: { now: true, system: none, themes: automatic }')
  const { comparison } = await compareSite(plan, standIn.options)
  assert.deepEqual(
    comparison.differences.map(({ ref, ...one }) => [ref, 'found' in one && one.found.item]),
    [['updates', { system: 'fixes', themes: 'by hand', addOns: 'by hand', waiting: ['add-on smileys 1.1'] }]],
  )
  assert.deepEqual(outcome(await run(standIn, plan)), [])
  assert.equal(standIn.blog.addOns[0]?.version, '1.1')
  assert.deepEqual(standIn.blog.settings.updates, { system: 'none', themes: true, addOns: false })
})

test('what shipped and could not be removed is not renewed: the next run still knows it', async () => {
  const standIn = await stand()
  const plan = planned(standIn.address, 'shipped: remove\nupdates: { now: true }')
  let refuses = true
  standIn.app.server.prependListener('request', (request) => {
    if (refuses && /add-ons\/\d+\/remove/.test(request.url ?? '')) request.url = '/nowhere'
  })
  assert.deepEqual(outcome(await run(standIn, plan)).toSorted(), [
    'addOns/smileys refused-by-site',
    'updates waits-for',
  ])
  refuses = false
  assert.deepEqual(outcome(await run(standIn, plan)), [])
  assert.deepEqual(standIn.blog.addOns, [])
})

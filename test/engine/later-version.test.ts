import assert from 'node:assert/strict'
import { after, test } from 'node:test'
import { chooseAll, Secret, settle, survey, type Choice } from 'unpack'
import { standInBlog, standInBlogSystem, startStandIn } from 'unpack/stand-ins'
import { folder } from '../help/folders.js'
import { planned } from '../help/plan.js'
import { ownFolders } from '../help/sites.js'

/* Tomorrow's version: it ships texts and pages that its adapter has never heard of. */

const root = folder()
const open: { close(): Promise<unknown> }[] = []
after(() => Promise.all(open.map((one) => one.close())))

async function blog(version: string) {
  const site = standInBlog({ standing: 'first-run', version })
  open.push(site)
  const address = await site.listen(0)
  const folders = await ownFolders(root)
  return { blog: site.blog, address, options: { ...folders, systems: [standInBlogSystem], choose: chooseAll } }
}
const plan = (address: string) => planned(address, 'shipped: remove\npages: [{ title: A, slug: a }]')

test('a later version of a proven line goes on with a remark; what came with it stays, and its owner is asked once', async () => {
  const { blog: site, address, options } = await blog('1.4')
  const done = await settle(plan(address), options)
  assert.deepEqual([done.failed, done.checks.filter(({ outcome }) => outcome === 'failed')], [[], []])
  const notes = done.comparison.notes.map(({ text }) => text)
  assert.ok(
    notes.some((text) => /this is Stand-in blog 1\.4\. Unpack was tested with 1\.0/.test(text)),
    notes.join('\n'),
  )
  const early = ['pages/first-steps', 'posts/a-first-post']
  assert.deepEqual([done.comparison.early.toSorted(), done.comparison.others], [early, []])
  assert.deepEqual(
    site.pages.map(({ slug }) => slug),
    ['first-steps', 'a'],
  )

  const again = await settle(plan(address), options)
  assert.deepEqual([again.writes, again.comparison.early.toSorted()], [0, early])

  const asked: string[][] = []
  const choosing = {
    ...options,
    chooseEarly: ({ differences }: Choice) => {
      asked.push(differences.map(({ ref }) => ref as string).toSorted())
      return differences.filter(({ ref }) => ref === 'posts/a-first-post')
    },
  }
  const gone = await settle(plan(address), choosing)
  assert.deepEqual([gone.settled, site.posts, site.comments], [['posts/a-first-post'], [], []])
  assert.equal((await settle(plan(address), choosing)).writes, 0)
  assert.deepEqual(asked, [early])
})

test('once someone has touched it, it makes a site in use', async () => {
  const { blog: site, address, options } = await blog('1.4')
  await settle(plan(address), options)
  const page = site.pages.find(({ slug }) => slug === 'first-steps')
  assert.ok(page)
  Object.assign(page, { body: '<p>Mine by now.</p>', edited: new Date(Date.now() + 5000).toISOString() })
  const more = planned(address, 'shipped: remove\ncategories: [{ name: Nets, slug: nets }]')
  await assert.rejects(settle(more, options), { code: 'in-use' })
})

test('another line wants --unproven, and the refusal says what was tried', async () => {
  const { blog: site, address, options } = await blog('2.0')
  assert.equal((await survey(address, options)).findings.system?.proven, false)
  await assert.rejects(settle(plan(address), options), {
    code: 'not-proven',
    message: /not proven with Stand-in blog 2\.0, only with 1\.0/,
  })
  assert.equal(site.standing, 'first-run')
  assert.deepEqual((await settle(plan(address), { ...options, unproven: true })).failed, [])
})

/* The other kinds: a text and an item that their adapters don't know. */

const version = '1.4'
const starts = {
  content: () => startStandIn('content', { version, standing: 'fresh', examples: true }),
  forum: () => startStandIn('forum', { version }),
  shop: () => startStandIn('shop', { version, standing: 'fresh' }),
}

/** Starts a later version with a stored login, and settles it twice. */
async function later(kind: keyof typeof starts, more: string, username: string) {
  const folders = await ownFolders(root)
  const started = await starts[kind]()
  open.push(started)
  await folders.logins.put(started.address, username, new Secret('harbour-light-41'))
  const baseline = planned(started.address, more, {}, `username: ${username}`)
  const all = { ...folders, systems: [started.system], confirm: false }
  return { site: started.site, first: await settle(baseline, all), second: await settle(baseline, all) }
}

const cases = [
  ['content', 'keeper', 'pages', ['pages/an-example-folder', 'pages/first-steps']],
  ['forum', 'boss', 'topics', ['topics/3', 'topics/5']],
  ['shop', 'boss', 'products', ['products/SAMPLE-1', 'products/SAMPLE-3']],
] as const
for (const [kind, username, area, early] of cases)
  test(`a later ${kind}: what its adapter has never heard of stays, and makes no site in use`, async () => {
    const { first, second } = await later(kind, 'shipped: remove\n', username)
    assert.deepEqual([first.failed, first.comparison.others], [[], []])
    assert.deepEqual(first.comparison.early.toSorted(), [...early])
    assert.ok(first.comparison.notes.some(({ text }) => /1\.4\. Unpack was tested with 1\.0/.test(text)))
    assert.deepEqual([second.writes, second.comparison.early.toSorted(), second.comparison.others], [0, [...early], []])
    assert.ok(second.comparison.kept.some(({ ref }) => ref.startsWith(area)))
  })

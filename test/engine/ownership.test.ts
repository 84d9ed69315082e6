import assert from 'node:assert/strict'
import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { after, test } from 'node:test'
import { compareSite, LoginsFile, Secret, settle, type RunOptions } from 'unpack'
import { standInBlog } from '../../stand-ins/blog/server/index.js'
import { standInBlogSystem } from '../../stand-ins/blog/adapter/index.js'
import { troubled } from '../../stand-ins/faults/proxy.js'
import { folder } from '../help/folders.js'
import { runningForum } from '../help/forum.js'
import { planned } from '../help/plan.js'
import { ownFolders, runningStandIn, writesAt, type RunningStandIn } from '../help/sites.js'
import { watchers } from '../help/watchers.js'

const root = folder()
const open: { close(): Promise<unknown> }[] = []
after(() => Promise.all(open.map((one) => one.close())))
const blog = async (standing: 'first-run' | 'fresh' = 'first-run') => {
  const one = await runningStandIn(root, { standing })
  open.push(one)
  return one
}
const forum = () => runningForum(root, (one) => open.push(one))
const later = '2027-03-05T14:07:00.000Z'
const draft = (site: RunningStandIn, slug: string) => {
  const one = { id: site.blog.next++, title: 'Not yet', slug, body: '<p>A secret plan.</p>', state: 'draft' as const }
  site.blog.pages.push({ ...one, by: 1, made: later, edited: later, parent: 0, order: 0 })
  return one
}
const quiet = (options: RunOptions) => ({ ...options, confirm: false })

for (const [name, entry] of [
  ['without a text', '{ title: News, slug: news }'],
  ['with one', '{ title: News, slug: news, body: a.md }'],
]) {
  test(`somebody’s draft at a planned name, planned ${name}: told, left alone, and taken over only by name, copied first`, async () => {
    const site = await blog()
    await settle(planned(site.address), quiet(site.options))
    const own = draft(site, 'news')
    const plan = planned(site.address, `pages: [${entry}]`, { 'a.md': 'The tide is out.' })
    const before = writesAt(site)
    const done = await settle(plan, quiet(site.options))
    assert.deepEqual(done.failed, [])
    assert.match(
      done.comparison.byHand.map(({ text }) => text).join(),
      /the page “Not yet” is somebody's own.*--again=pages\/news/,
    )
    assert.deepEqual(site.blog.pages.find(({ id }) => id === own.id)?.title, 'Not yet')
    assert.equal(writesAt(site), before)
    // it would be opened to everybody with words in it that are not ours: that is asked about by itself
    const shut = await settle(plan, { ...quiet(site.options), again: ['pages/news'] })
    assert.deepEqual([shut.writes, shut.open.map(({ ref }) => ref)], [0, ['pages/news']])
    const taken = await settle(plan, { ...quiet(site.options), again: ['pages/news'], open: ['pages/news'] })
    assert.deepEqual([taken.failed, site.blog.pages.find(({ id }) => id === own.id)?.state], [[], 'published'])
    const [copy = ''] = readdirSync(join(taken.record ?? '', 'removed'))
    assert.match(readFileSync(join(taken.record ?? '', 'removed', copy), 'utf8'), /A secret plan/)
  })
}

test('all areas with names of their own: what somebody made under one keeps its name and description', async () => {
  const site = await blog()
  await settle(planned(site.address), quiet(site.options))
  const { blog: model } = site
  model.categories.push({ id: model.next++, name: 'Boats', slug: 'boats', description: 'Ours', parent: 0 })
  model.tags.push({ id: model.next++, name: 'brass!', slug: 'brass' })
  model.posts.push({
    ...{ id: model.next++, title: 'Ours', slug: 'tide', body: '', state: 'draft', by: 1, made: later, edited: later },
    ...{ categories: [1], tags: [], date: '2027-03-05T14:07', open: true },
  })
  const plan = planned(
    site.address,
    'categories: [{ name: Boating, slug: boats, description: Theirs }]\nposts: [{ title: Tide, slug: tide, tags: [brass] }]',
  )
  const done = await settle(plan, { ...quiet(site.options), inUse: true })
  assert.deepEqual(done.comparison.byHand.map(({ ref }) => ref).sort(), [
    'categories/boats',
    'posts/tide',
    'tags/brass',
  ])
  assert.ok(model.categories.some(({ name, description }) => name === 'Boats' && description === 'Ours'))
  assert.ok(model.posts.some(({ title, state }) => title === 'Ours' && state === 'draft'))
  const board = await forum()
  board.board.groups.push({ id: 80, name: 'Survey volunteers', description: 'Ours' })
  board.board.categories.push({ id: 81, title: 'On the shore', description: '' })
  board.board.forums.push({
    ...(board.board.forums[0] as never as object),
    id: 82,
    category: 81,
    title: 'Strandline',
    description: 'Ours',
  } as never)
  const kept = await settle(watchers(board.address), { ...quiet(board.options), inUse: true })
  const told = kept.comparison.byHand.map(({ ref }) => ref)
  assert.ok(told.includes('groups/Survey volunteers') && told.includes('forums/On the shore/Strandline'), told.join())
  assert.ok(board.board.forums.some(({ id, description }) => id === 82 && description === 'Ours'))
  assert.equal(board.board.groups.find(({ id }) => id === 80)?.description, 'Ours')
  // what would give rights to that group waits, and is told: kelp is not put into it, and no forum is made that it should guard
  assert.ok(told.includes('members/kelp') && told.includes('forums/Surveys/Raw counts'), told.join())
  assert.ok(!board.board.forums.some(({ title }) => title === 'Raw counts'))
})

test('a new site at an old address: what is remembered of the one before is set aside, and nothing there is taken for ours', async () => {
  const first = standInBlog({ standing: 'first-run' })
  const address = await first.listen(0)
  const options = { systems: [standInBlogSystem], ...(await ownFolders(root)), confirm: false }
  const plan = planned(address, 'pages: [{ title: News, slug: news, body: a.md }]', { 'a.md': 'The tide is out.' })
  await settle(plan, options)
  await first.close()
  const second = standInBlog({
    standing: 'fresh',
    owner: { username: 'marlow', password: options.logins.find(address, 'marlow')?.password.reveal() ?? '' },
  })
  open.push(second)
  await second.listen(Number(new URL(address).port))
  // with the number that the old site's page had, and its words
  const old = first.blog.pages.find(({ slug }) => slug === 'news')
  second.blog.pages.push({ ...(old as NonNullable<typeof old>), title: 'My own', state: 'draft' })
  const done = await settle(plan, options)
  assert.deepEqual(
    done.comparison.byHand.map(({ ref }) => ref),
    ['pages/news'],
  )
  assert.match(done.comparison.notes.map(({ text }) => text).join(), /another site/)
  assert.ok(second.blog.pages.some(({ title, state }) => title === 'My own' && state === 'draft'))
  assert.ok(readdirSync(options.state, { recursive: true }).some((name) => String(name).includes('another-site')))
})

test('addresses that read alike have states of their own; two names of this machine share one', async () => {
  const paths = ['/a/b/', '/a_b/']
  const folders = await ownFolders(root)
  for (const base of paths) {
    const site = standInBlog({ standing: 'first-run', base })
    open.push(site)
    const address = await site.listen(0)
    await settle(planned(address), { systems: [standInBlogSystem], ...folders, confirm: false })
  }
  assert.equal(readdirSync(folders.state).length, 2)
  const site = await blog()
  await settle(planned(site.address, 'pages: [{ title: A, slug: a }]'), quiet(site.options))
  const other = site.address.replace('127.0.0.1', 'localhost')
  const login = site.options.logins.find(site.address, 'marlow')
  // nothing but state and lock: its logins are another address's
  await assert.rejects(compareSite(planned(other), site.options), { code: 'login-missing' })
  await site.options.logins.put(other, 'marlow', login?.password ?? new Secret(''))
  const seen = await compareSite(planned(other, 'pages: [{ title: B, slug: a }]'), site.options)
  assert.deepEqual(
    seen.comparison.differences.map(({ ref }) => ref),
    ['pages/a'],
  )
  assert.equal(readdirSync(site.options.state).length, 1)
})

test('items of a run that died are ours: the intent was on disk before the write', async () => {
  const site = await blog()
  const hidden = Number(new URL(site.address).port)
  const proxy = await troubled(hidden)
  open.push(proxy)
  const address = `http://127.0.0.1:${proxy.port}/`
  const options = { ...quiet(site.options), patience: 1500 }
  const plan = planned(address, 'pages: [{ title: News, slug: news, body: a.md }, { title: Team, slug: team }]', {
    'a.md': 'The tide is out.',
  })
  // the answer is lost for good: the run ends without knowing what it made
  proxy.trouble([{ at: 'POST /office/pages/new', is: 'reset after', times: 9 }])
  await settle(plan, options).catch(() => undefined)
  proxy.trouble([])
  const next = planned(address, 'pages: [{ title: Latest, slug: news, body: a.md }, { title: Team, slug: team }]', {
    'a.md': 'The tide is out.',
  })
  const done = await settle(next, options)
  assert.deepEqual([done.failed, done.comparison.byHand], [[], []])
  const made = site.blog.pages.filter(({ id }) => id > 3).map(({ title }) => title)
  assert.deepEqual(made.sort(), ['Latest', 'Team'])
  assert.ok((await LoginsFile.open(options.logins.file, new Secret('low water at nine'))).at(address).length > 0)
})

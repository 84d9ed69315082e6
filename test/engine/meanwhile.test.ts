import assert from 'node:assert/strict'
import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { after, test } from 'node:test'
import { settle, undo, type RunOptions } from 'unpack'
import { folder } from '../help/folders.js'
import { runningForum, type RunningForum } from '../help/forum.js'
import { planned } from '../help/plan.js'
import { runningStandIn } from '../help/sites.js'

/* People edit while a run is under way, in every area: the run neither writes over their work nor takes it for its own. */

const root = folder()
const open: { close(): Promise<unknown> }[] = []
after(() => Promise.all(open.map((one) => one.close())))
const quiet = <O extends RunOptions>(options: O) => ({ ...options, confirm: false })
/** Does something when everything was read, and nothing is written yet. */
const meanwhile = (act: () => void): Pick<RunOptions, 'on'> => ({
  on: ({ is }) => {
    if (is === 'to do') act()
  },
})
async function blog() {
  const site = await runningStandIn(root, { standing: 'first-run' })
  open.push(site)
  return site
}
const forum = (standing: 'fresh' | 'in-use' = 'fresh') => runningForum(root, (one) => open.push(one), standing)

test('an edit made while the run is under way is not written over: it is reported as changed meanwhile', async () => {
  const site = await blog()
  const plan = (text: string) =>
    planned(
      site.address,
      'pages: [{ title: A, slug: a, body: x.md }, { title: B, slug: b, body: x.md }, { title: C, slug: c, body: x.md }]',
      { 'x.md': text },
    )
  await settle(plan('One.'), quiet(site.options))
  const last = site.blog.pages.find(({ slug }) => slug === 'c')
  assert.ok(last)
  let writes = 0
  const done = await settle(plan('Two.'), {
    ...quiet(site.options),
    watch: ({ purpose }) => {
      // the owner saves a page when the run has just sent its first
      if (purpose === 'write' && (writes += 1) === 1)
        Object.assign(last, { body: '<p>By hand.</p>', edited: new Date(Date.now() + 5000).toISOString() })
      return () => undefined
    },
  })
  assert.deepEqual(
    done.failed.map(({ ref, code }) => [ref, code]),
    [['pages/c', 'changed-meanwhile']],
  )
  assert.equal(last.body, '<p>By hand.</p>')
  const next = await settle(plan('Two.'), quiet(site.options))
  assert.deepEqual([next.failed, next.writes, last.body], [[], 0, '<p>By hand.</p>'])
})

test('a setting that its owner changes while the run is under way stays, and is reported', async () => {
  const site = await blog()
  const plan = (description: string) =>
    planned(
      site.address,
      'pages: [{ title: A, slug: a, body: a.md }]',
      { 'a.md': description },
      undefined,
      `, description: ${description}`,
    )
  await settle(plan('One'), quiet(site.options))
  const act = () => (site.blog.settings.description = 'By hand')
  const done = await settle(plan('Two'), { ...quiet(site.options), ...meanwhile(act) })
  assert.deepEqual(
    done.failed.map(({ ref, code }) => [ref, code]),
    [['site', 'changed-meanwhile']],
  )
  assert.equal(site.blog.settings.description, 'By hand')
})

test('a setting that stood as planned when the run began, and that its owner changes during it, is theirs in the next run', async () => {
  const site = await blog()
  const plan = (text: string) =>
    planned(
      site.address,
      'pages: [{ title: A, slug: a, body: a.md }]',
      { 'a.md': text },
      undefined,
      ', description: One',
    )
  await settle(plan('First.'), quiet(site.options))
  // a state folder that knows nothing of the run before
  const options = { ...quiet(site.options), state: join(root, 'another-machine'), inUse: true, again: ['pages/a'] }
  await settle(plan('Second.'), { ...options, ...meanwhile(() => (site.blog.settings.description = 'By hand')) })
  const next = await settle(plan('Third.'), options)
  assert.equal(site.blog.settings.description, 'By hand')
  assert.ok(next.comparison.kept.some(({ ref }) => ref === 'site'))
})

test('a menu that its owner changes while the run is under way stays, also when undo gives one back', async () => {
  const site = await blog()
  const plan = (menu: string) =>
    planned(site.address, `pages: [{ title: A, slug: a }, { title: B, slug: b }]\nmenus: { main: ${menu} }`)
  await settle(plan('[{ page: a }]'), quiet(site.options))
  const mine = [{ kind: 'link' as const, to: 'https://pier.example/', label: 'Pier' }]
  const act = () => (site.blog.menus.main = [...(site.blog.menus.main ?? []), ...mine])
  const done = await settle(plan('[{ page: b }]'), { ...quiet(site.options), ...meanwhile(act) })
  assert.deepEqual([done.failed.map(({ code }) => code), site.blog.menus.main?.length], [['changed-meanwhile'], 2])

  const other = await blog()
  await settle(planned(other.address), quiet(other.options))
  const gone = await settle(planned(other.address, 'shipped: { pages: remove }'), quiet(other.options))
  other.blog.menus.main = []
  let isChanged = false
  const back = await undo(planned(other.address), gone.record ?? '', {
    ...quiet(other.options),
    watch: ({ method, url }) => {
      if (method === 'POST' && url.includes('/office/pages') && !isChanged) {
        isChanged = true
        other.blog.menus.main = mine
      }
      return () => undefined
    },
  })
  assert.ok(isChanged)
  assert.deepEqual(other.blog.menus.main, mine, JSON.stringify(back.failed))
})

test('a forum, a group and a member that somebody changes while the run is under way stay', async () => {
  const { board, address, options } = await forum()
  const plan = (word: string) =>
    planned(
      address,
      `groups: [{ name: Crew, description: ${word} }]\nforums: [{ title: Shore, description: ${word}, forums: [{ title: Pools, description: ${word} }] }]\nmembers: [{ username: kelp, email: kelp@quay.example, name: { shown: ${word} } }]`,
      {},
      'username: marlow, email: marlow@quay.example, signInAs: boss',
    )
  await settle(plan('One'), quiet(options))
  const act = () => {
    for (const one of [...board.groups, ...board.forums, ...board.categories]) one.description = 'By hand'
    for (const one of board.accounts) if (one.username === 'kelp') one.shown = 'Kelpie'
  }
  const done = await settle(plan('Two'), { ...quiet(options), inUse: true, ...meanwhile(act) })
  assert.deepEqual(
    [...new Set(done.failed.map(({ code }) => code))],
    ['changed-meanwhile'],
    JSON.stringify(done.failed),
  )
  assert.ok([...board.groups, ...board.forums].every(({ description }) => description === 'By hand'))
  assert.equal(board.accounts.find(({ username }) => username === 'kelp')?.shown, 'Kelpie')
})

test('a group that somebody has made under a planned name before ours could be is theirs', async () => {
  const { board, address, options } = await forum()
  const owner = 'username: marlow, email: marlow@quay.example, signInAs: boss'
  let isMade = false
  await settle(planned(address, 'groups: [{ name: Crew }]', {}, owner), {
    ...quiet(options),
    watch: ({ method, url }) => {
      if (method === 'POST' && url.endsWith('/office/groups/new') && !isMade) {
        isMade = true
        board.groups.push({ id: board.next++, name: 'Crew', description: 'Ours alone' })
      }
      return () => undefined
    },
  })
  const next = planned(address, 'groups: [{ name: Crew, description: Everybody }]', {}, owner)
  await settle(next, { ...quiet(options), inUse: true })
  assert.deepEqual([isMade, board.groups.map(({ description }) => description)], [true, ['Ours alone']])
})

test('the name of a visitor who has written a comment is in no record', async () => {
  const site = await blog()
  await settle(planned(site.address), quiet(site.options))
  const comment = { by: 'Gwendolyn', text: 'Lovely!', made: '2026-03-05T14:07:00.000Z', state: 'held' as const }
  site.blog.comments.push({ ...comment, id: site.blog.next++, post: site.blog.posts[0]?.id ?? 0 })
  const done = await settle(planned(site.address, 'shipped: remove'), { ...quiet(site.options), inUse: true })
  const texts = readdirSync(done.record ?? '', { recursive: true, withFileTypes: true })
    .filter((one) => one.isFile())
    .map(({ parentPath, name }) => readFileSync(join(parentPath, name), 'utf8'))
  assert.ok(texts.length > 2)
  assert.ok(texts.every((text) => !text.includes('Gwendolyn')))
})

test('a shipped forum stays if someone renames it, or writes in it, while the run that removes its category is under way', async () => {
  const acts: ((board: RunningForum['board']) => void)[] = [
    (board) => board.forums.forEach((one) => (one.title = 'Ours now')),
    (board) => {
      const made = new Date().toISOString()
      const posts = [{ id: 901, by: 1, text: 'Low tide at six.', made, edited: made }]
      board.topics.push({ id: 900, forum: board.forums[0]?.id ?? 0, title: 'Tides', by: 1, made, edited: made, posts })
    },
  ]
  for (const act of acts) {
    const site = await forum()
    const plan = planned(
      site.address,
      'shipped: remove',
      {},
      'username: marlow, email: ines@tidepool.example, signInAs: boss',
    )
    const before = site.board.forums.length
    const done = await settle(plan, { ...quiet(site.options), ...meanwhile(() => act(site.board)) })
    assert.deepEqual([done.failed[0]?.ref, done.failed[0]?.code], ['forums/Test category', 'changed-meanwhile'])
    assert.ok(done.failed.every(({ code }) => code === 'changed-meanwhile'))
    assert.equal(site.board.forums.length, before)
  }
})

test('a shipped post stays if a visitor comments on it while the run that removes it is under way', async () => {
  const site = await blog()
  await settle(planned(site.address), quiet(site.options))
  const [post] = site.blog.posts
  assert.ok(post)
  const comment = { id: 900, post: post.id, by: 'Kelp', text: 'Thank you!', made: new Date().toISOString() }
  const act = () => void site.blog.comments.push({ ...comment, state: 'shown' })
  const done = await settle(planned(site.address, 'shipped: remove'), { ...quiet(site.options), ...meanwhile(act) })
  assert.deepEqual(
    done.failed.map(({ ref, code }) => [ref, code]),
    ['menus/main', 'sidebars/main', `posts/${post.slug}`, 'comments/1'].map((ref) => [ref, 'changed-meanwhile']),
  )
  assert.match(done.failed[0]?.text ?? '', /the menu “main” shipped with the system; on a site in use it stays/)
  assert.ok(site.blog.posts.includes(post))
})

import assert from 'node:assert/strict'
import { join } from 'node:path'
import { after, test } from 'node:test'
import { confirm, Secret, settle, type RunOptions } from 'unpack'
import { mayIn } from '../../stand-ins/forum/server/rights.js'
import { folder } from '../help/folders.js'
import { runningForum } from '../help/forum.js'
import { watchers } from '../help/watchers.js'

const root = folder()
const open: { close(): Promise<unknown> }[] = []
after(() => Promise.all(open.map((one) => one.close())))
const forum = () => runningForum(root, (one) => open.push(one))
const later = '2027-03-05T14:07:00.000Z'
const quiet = (options: RunOptions) => ({ ...options, confirm: false })
const stranger = (username: string) => ({
  ...{ id: 90, username, shown: username, email: 'stranger@harbour.example', password: 'a-shell-of-ones-own' },
  ...{ made: later, role: 'member' as const, groups: [] as number[], wrong: 0, lockedUntil: 0, lastPost: 0 },
})

test('a stranger has registered a planned name: the account is somebody’s, told, and given nothing', async () => {
  const site = await forum()
  site.board.accounts.push(stranger('kelp'))
  const done = await settle(watchers(site.address), { ...quiet(site.options), inUse: true })
  assert.match(done.comparison.byHand.find(({ ref }) => ref === 'members/kelp')?.text ?? '', /somebody's own/)
  const kelp = site.board.accounts.find(({ username }) => username === 'kelp')
  assert.deepEqual([kelp?.email, kelp?.groups], ['stranger@harbour.example', []])
  const raw = site.board.forums.find(({ title }) => title === 'Raw counts')
  assert.ok(raw && !mayIn(site.board, raw, kelp).has('read'))
  // the file says that it is the owner's own: it is in the logins file
  const stored = watchers(site.address, (text) =>
    text.replace('groups: [Survey volunteers], password: made', 'groups: [Survey volunteers], password: stored'),
  )
  await site.options.logins.put(site.address, 'kelp', new Secret('a-shell-of-ones-own'))
  assert.deepEqual((await settle(stored, { ...quiet(site.options), inUse: true })).failed, [])
  assert.equal(site.board.accounts.find(({ username }) => username === 'kelp')?.groups.length, 1)
})

test('an account that we made stays ours when its member has changed the password, and where state was lost and the login opens it', async () => {
  const site = await forum()
  await settle(watchers(site.address), quiet(site.options))
  const account = (username: string) => site.board.accounts.find((one) => one.username === username)
  const kelp = account('kelp')
  if (kelp) kelp.password = 'my-own-words-now'
  const moved = watchers(site.address, (text) => text.replace('kelp@tidepool.example', 'kelp@bay.example'))
  assert.deepEqual((await settle(moved, quiet(site.options))).failed, [])
  assert.equal(account('kelp')?.email, 'kelp@bay.example')
  // nothing is remembered any more: limpet's login opens it, kelp's does not
  const lost = { ...quiet(site.options), state: join(root, 'lost') }
  const again = watchers(site.address, (text) =>
    text
      .replace('kelp@tidepool.example', 'kelp@cliff.example')
      .replace('limpet@tidepool.example', 'limpet@cliff.example'),
  )
  const done = await settle(again, lost)
  assert.deepEqual(
    // and what a group that is not known to be ours gives is not given to whoever has that account now
    done.comparison.byHand.map(({ ref }) => ref),
    ['groups/Survey volunteers', 'members/kelp'],
  )
  // with nothing remembered nobody knows who has set limpet's address: it stays until the plan is asked for
  assert.ok(done.comparison.theirKeys.includes('members/limpet#email'))
  assert.deepEqual([account('kelp')?.email, account('limpet')?.email], ['kelp@bay.example', 'limpet@tidepool.example'])
  await settle(again, { ...lost, again: ['members/limpet'] })
  assert.equal(account('limpet')?.email, 'limpet@cliff.example')
})

test('a group that we did not make and that holds strangers is given no rights', async () => {
  const site = await forum()
  site.board.groups.push({ id: 80, name: 'Survey volunteers', description: 'People who signed the survey sheet' })
  site.board.accounts.push({ ...stranger('whelk'), groups: [80] })
  const done = await settle(watchers(site.address), { ...quiet(site.options), inUse: true })
  assert.match(
    done.comparison.byHand.find(({ ref }) => ref === 'groups/Survey volunteers')?.text ?? '',
    /does not know: whelk/,
  )
  // nothing that every member has not
  assert.ok(!site.board.forums.some(({ may }) => may.read.includes('group 80') && !may.read.includes('members')))
})

test('access that the plan leaves out: given to a forum that we make, and from then on its owner’s', async () => {
  const site = await forum()
  await settle(watchers(site.address), quiet(site.options))
  const pools = site.board.forums.find(({ title }) => title === 'Rock pools')
  assert.ok(pools)
  assert.ok(pools.may.read.includes('everyone'))
  pools.may.read = ['members', 'moderators', 'administrators']
  pools.may.see = pools.may.read
  const again = await settle(watchers(site.address), quiet(site.options))
  assert.deepEqual([again.writes, again.comparison.differences], [0, []])
  assert.ok(!pools.may.read.includes('everyone'))
  // and confirm looks for what stands there
  assert.equal((await confirm(watchers(site.address), site.options)).failed, 0)
})

test('opening what holds somebody’s topic is asked about apart: no general yes covers it, its name does', async () => {
  const site = await forum()
  const closed = (text: string) =>
    text.replace(
      '{ title: Strandline, description: Washed up and worth a look }',
      '{ title: Strandline, description: Washed up and worth a look, access: { see: members, read: members } }',
    )
  const opened = (text: string) =>
    text.replace(
      '{ title: Strandline, description: Washed up and worth a look }',
      '{ title: Strandline, description: Washed up and worth a look, access: { see: everyone, read: everyone } }',
    )
  await settle(watchers(site.address, closed), quiet(site.options))
  const strand = site.board.forums.find(({ title }) => title === 'Strandline')
  assert.ok(strand && !strand.may.read.includes('everyone'))
  site.board.topics.push({
    ...{ id: 95, forum: strand.id, title: 'A secret', by: 1, made: later, edited: later },
    posts: [{ id: 96, by: 1, text: 'Hush', made: later, edited: later }],
  })
  const asked: boolean[] = []
  const plan = watchers(site.address, opened)
  const all = await settle(plan, {
    ...quiet(site.options),
    inUse: true,
    choose: ({ differences, opens }) => {
      asked.push(opens ?? false)
      return opens ? [] : differences
    },
  })
  assert.ok(asked.includes(true) && !strand.may.read.includes('everyone'))
  assert.deepEqual(
    all.open.map(({ ref }) => ref),
    ['access/On the shore/Strandline'],
  )
  // nobody to ask: it stays shut
  await settle(plan, { ...quiet(site.options), inUse: true })
  assert.ok(!strand.may.read.includes('everyone'))
  const named = await settle(plan, { ...quiet(site.options), inUse: true, open: ['forums/On the shore/Strandline'] })
  assert.deepEqual([named.failed, strand.may.read.includes('everyone')], [[], true])
})

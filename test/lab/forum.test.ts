import assert from 'node:assert/strict'
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { beforeEach, test } from 'node:test'
import { builtIn, compareSite, confirm, NoAnswer, Secret, settle, survey, type RunOptions } from 'unpack'
import { failed } from '../help/failed.js'
import { folder } from '../help/folders.js'
import { hostsLogin, labForum } from '../help/lab-forum.js'
import { ownFolders } from '../help/sites.js'
import { watchersCells, manyForums, watchersOnMisago } from '../help/watchers.js'

const root = folder()
const forum = await labForum('forum')
const { address } = forum
type Options = RunOptions & Awaited<ReturnType<typeof ownFolders>>
let options: Options
let used = false

beforeEach(async () => {
  if (used) await forum.reset()
  used = true
  options = { systems: builtIn, ...(await ownFolders(root)) }
  await hostsLogin(options.logins, address)
})

const plan = (change?: (text: string) => string) => watchersOnMisago(address, change)

test('a fresh forum: surveyed, compared, settled, confirmed, and a second run writes nothing', async () => {
  const found = await survey(address, { systems: builtIn })
  assert.deepEqual([found.standing, found.safe, found.findings.system?.id], ['fresh', true, 'misago'])
  const compared = await compareSite(plan(), options)
  assert.equal(compared.rows.access?.length, 3)
  assert.equal(forum.writes(), 0)

  const done = await settle(plan(), options)
  assert.deepEqual([done.failed, failed(done.checks)], [[], []])
  assert.equal(done.eyes.length, watchersCells)
  assert.equal(forum.writes(), done.writes)

  const before = forum.writes()
  const again = await settle(plan(), { ...options, confirm: false })
  assert.deepEqual(again.comparison.differences, [])
  assert.equal(forum.writes(), before)
  const looked = await confirm(plan(), options)
  assert.deepEqual(failed(looked.checks), [])
  assert.equal(forum.writes(), before)
  // what the forum's own screens and pages show of the owner's and the members' passwords: nothing
  const secrets = options.logins.list().map(({ password }) => password.reveal())
  const har = readFileSync(join(done.record ?? '', 'exchange.har'), 'utf8')
  for (const secret of secrets) for (const form of [secret, encodeURIComponent(secret)]) assert.ok(!har.includes(form))
})

test('what the forum can’t be given is said before anything is written', async () => {
  const { comparison } = await compareSite(
    plan((text) => text.replace(/leave: \[.*\]/, 'leave: []')),
    options,
  )
  const never = comparison.never.map(({ ref }) => ref)
  for (const key of [
    'site.timezone',
    'site.open.visitors',
    'signIn',
    'mail.server',
    'posting.waitSeconds',
    'groups.description',
  ])
    assert.ok(never.includes(key), key)
  assert.equal(forum.writes(), 0)
})

test('one cell that is flipped in the database is named, and nothing else', async () => {
  await settle(plan(), { ...options, confirm: false })
  // visitors are let into a forum that is for volunteers
  const id = (table: string, name: string, column = 'name') =>
    forum.sql(`select id from ${table} where ${column} = '${name}'`).trim()
  forum.sql(
    `insert into misago_categories_rolecategoryacl (role_id, category_id, category_role_id) values (${id('misago_acl_role', 'anonymous', 'special_role')}, ${id('misago_categories_category', 'Raw counts')}, ${id('misago_categories_categoryrole', 'Read only')});` +
      "update misago_cache_cacheversion set version = 'flipped' where cache = 'acl'",
  )
  const { checks, eyes } = await confirm(plan(), { ...options, again: true })
  assert.deepEqual(
    eyes.filter(({ outcome }) => outcome === 'failed').map(({ at: where, as, seen }) => [where, as, seen]),
    [['Surveys/Raw counts', 'visitor', ['see', 'read']]],
  )
  assert.ok(failed(checks).some((line) => line.includes('may see, and should not; may read, and should not')))
  // and settling puts it right again
  const { settled } = await settle(plan(), { ...options, confirm: false, again: true })
  assert.deepEqual(settled, ['access/Surveys/Raw counts'])
  assert.deepEqual(failed((await confirm(plan(), options)).checks), [])
})

test('a wrong password at the dashboard changes nothing; being signed in on the public side is not enough', async () => {
  await options.logins.put(address, 'boss', new Secret('not-the-password-of-anybody'))
  await assert.rejects(settle(plan(), options), { code: 'login-refused' })
  assert.equal(forum.writes(), 0)

  // a plain member's login opens the public side, and never the dashboard
  await options.logins.put(address, 'boss', new Secret('Lab-First-Pass-1'), { temporary: true })
  await settle(plan(), { ...options, confirm: false })
  const before = forum.writes()
  const kelp = await options.logins.find(address, 'kelp')
  await options.logins.put(address, 'marlow', kelp?.password ?? new Secret(''))
  await assert.rejects(
    settle(
      plan((text) =>
        text
          .replace('username: marlow', 'username: kelp')
          .replace(/ {2}- \{ username: kelp.*\n/, '')
          .replace(/ {2}- .*member kelp.*\n/, ''),
      ),
      options,
    ),
    { code: 'login-refused' },
  )
  assert.equal(forum.writes(), before)
})

test('a session that ends on the way is renewed, once', async () => {
  let ended = false
  const { failed: left } = await settle(plan(), {
    ...options,
    confirm: false,
    on: (event) => {
      if (ended || event.is !== 'carried' || !event.refs.some((ref) => ref.startsWith('groups/'))) return
      ended = true
      forum.sql('delete from django_session')
    },
  })
  assert.ok(ended)
  assert.deepEqual(left, [])
  assert.equal((await settle(plan(), { ...options, confirm: false })).writes, 0)
})

test('stopped anywhere, the next run goes on and ends in the same state', async () => {
  const whole = await settle(plan(), { ...options, confirm: false })
  const state = () =>
    forum.sql(
      'select c.name, c.description, c.is_closed, r.name, s.name from misago_categories_category c left join misago_categories_rolecategoryacl a on a.category_id = c.id left join misago_acl_role r on r.id = a.role_id left join misago_categories_categoryrole s on s.id = a.category_role_id where c.level > 0 order by c.lft, r.name',
    )
  const wanted = state()
  for (const at of [2, 7, 12, 17, 21].filter((write) => write < whole.writes)) {
    await forum.reset()
    options = { systems: builtIn, ...(await ownFolders(root)) }
    await hostsLogin(options.logins, address)
    const stop = new AbortController()
    let writes = 0
    await assert.rejects(
      settle(plan(), {
        ...options,
        signal: stop.signal,
        watch:
          ({ purpose }) =>
          () => {
            if (purpose === 'write') writes += 1
            if (writes === at) stop.abort()
          },
      }),
      (error) => error instanceof NoAnswer || (error as { code?: string }).code === 'stopped',
    )
    const { failed: left, checks } = await settle(plan(), options)
    assert.deepEqual([left, failed(checks)], [[], []], `stopped after write ${at}`)
    assert.equal(state(), wanted, `stopped after write ${at}`)
  }
})

test('60 forums in 6 categories: one form a role, one reading of the public page’s own data', async () => {
  const many = manyForums(address, 6, 10)
  const done = await settle(many, { ...options, confirm: false })
  assert.deepEqual(done.failed, [])
  const asked = (pattern: RegExp) => forum.requests().filter((line) => pattern.test(line)).length
  assert.equal(asked(/^POST \/admincp\/categories\/new\//), 66)
  assert.equal(asked(/^GET \/admincp\/categories\/new\//), 1)
  // the shipped forum's: its settings decide whether it may go; they are read again right before it goes
  assert.equal(asked(/^GET \/admincp\/categories\/edit\//), 2)
  assert.ok(asked(/^POST \/admincp\/permissions\/categories\/\d+\/$/) <= 5)
  assert.ok(done.requests <= 170, `${done.requests} requests`)
  const again = await settle(many, options)
  assert.deepEqual([again.writes, failed(again.checks)], [0, []])
  assert.equal(again.eyes.length, 60 * 4)
})

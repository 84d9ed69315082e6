import assert from 'node:assert/strict'
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { after, test } from 'node:test'
import { compareSite, confirm, settle, survey } from 'unpack'
import { long } from '../help/long.js'
import { failed } from '../help/failed.js'
import { folder } from '../help/folders.js'
import { runningForum } from '../help/forum.js'
import { writesAt } from '../help/sites.js'
import { watchersCells, manyForums, watchers } from '../help/watchers.js'

const root = folder()
const open: { close(): Promise<void> }[] = []
after(() => Promise.all(open.map((one) => one.close())))
const start = (standing: 'fresh' | 'in-use' = 'fresh', base = '/') =>
  runningForum(root, (one) => open.push(one), standing, base)

for (const base of ['/', '/board/'])
  test(`the demo’s forum at ${base}: settled, confirmed, and a second run writes nothing`, async () => {
    const forum = await start('fresh', base)
    assert.equal((await survey(forum.address, forum.options)).standing, 'fresh')
    const done = await settle(watchers(forum.address), forum.options)
    assert.deepEqual([done.failed, failed(done.checks)], [[], []])
    assert.equal(done.eyes.length, watchersCells)
    const before = writesAt(forum)
    // links in mails were opened, too
    assert.equal(before + forum.requests.filter((line) => line.includes('/activate/')).length, done.writes)
    assert.equal((await settle(watchers(forum.address), { ...forum.options, confirm: false })).writes, 0)
    assert.equal(writesAt(forum), before)
    // the accounts that had to be answered for by mail are open
    assert.ok(forum.board.accounts.every(({ waits }) => waits === undefined))
    const report = readFileSync(join(done.record ?? '', 'report.html'), 'utf8')
    assert.match(report, /Forums through many eyes/)
    assert.match(report, /<th scope="row">Surveys\/Raw counts<\/th><td class="ok"><span class="quiet">nothing<\/span>/)
  })

test('without a place where mails arrive, an account that waits for one is told, and the forum stays closed', async () => {
  const forum = await start()
  const options = { ...forum.options, mailbox: undefined }
  const done = await settle(watchers(forum.address), { ...options, confirm: false })
  assert.deepEqual(
    done.failed.map(({ ref }) => ref),
    ['members/kelp', 'members/limpet', 'opening'],
  )
  assert.match(done.failed[0]?.text ?? '', /--mail-folder/)
  assert.match(done.failed[2]?.text ?? '', /It needs members\/kelp/)
  assert.equal((await fetch(forum.address)).status, 503)
  // with the place named, the next run has the mails sent again, follows them, and opens the forum
  const next = await settle(watchers(forum.address), forum.options)
  assert.deepEqual([next.failed, failed(next.checks)], [[], []])
  assert.deepEqual([...next.settled].sort(), ['members/kelp', 'members/limpet', 'opening'])
  assert.equal((await fetch(forum.address)).status, 200)
})

test('where new accounts wait for the staff, members of the file are opened by the owner', async () => {
  const forum = await start()
  const plan = watchers(forum.address, (text) => text.replace('approval: email', 'approval: staff'))
  const { failed: left, checks } = await settle(plan, forum.options)
  assert.deepEqual([left, failed(checks)], [[], []])
  // one that the staff have closed since stays closed, until they are asked for the plan
  const kelp = forum.board.accounts.find(({ username }) => username === 'kelp')
  if (kelp) kelp.waits = 'staff'
  const kept = await settle(plan, { ...forum.options, confirm: false })
  assert.deepEqual([kept.writes, kept.comparison.theirKeys], [0, ['members/kelp#open']])
  const again = await settle(plan, { ...forum.options, confirm: false, again: ['members/kelp'] })
  assert.deepEqual(again.settled, ['members/kelp', 'opening'])
})

test('a wrong cell is named, with who may do what they should not', async () => {
  const forum = await start()
  await settle(watchers(forum.address), { ...forum.options, confirm: false })
  const raw = forum.board.forums.find(({ title }) => title === 'Raw counts')
  raw?.may.read.push('members')
  const { eyes, checks } = await confirm(watchers(forum.address), { ...forum.options, again: true })
  assert.deepEqual(
    eyes.filter(({ outcome }) => outcome === 'failed').map(({ at: where, as, seen }) => [where, as, seen]),
    [['Surveys/Raw counts', 'member limpet', ['see', 'read']]],
  )
  assert.ok(
    failed(checks).includes('“Surveys/Raw counts” is as open to member limpet as planned: may read, and should not'),
  )
})

test('a member whose login is refused is told, and the others look all the same', async () => {
  const forum = await start()
  await settle(watchers(forum.address), { ...forum.options, confirm: false })
  const kelp = forum.board.accounts.find(({ username }) => username === 'kelp')
  if (kelp) kelp.password = 'changed-by-kelp-herself'
  const { eyes } = await confirm(watchers(forum.address), forum.options)
  assert.deepEqual([...new Set(eyes.filter(({ seen }) => seen === null).map(({ as }) => as))], ['member kelp'])
  assert.ok(eyes.filter(({ as }) => as !== 'member kelp').every(({ outcome }) => outcome === 'passed'))
})

test('rights that leak through a membership are paid for, also by a run that has nothing else to do', async () => {
  const forum = await start()
  const plan = watchers(forum.address)
  await settle(plan, { ...forum.options, confirm: false })
  assert.equal(forum.board.shared.size, 0)
  // somebody puts a member into the group at the dashboard: others share its rights, and only eyes see that
  const [group] = forum.board.groups
  if (group) forum.board.shared.add(group.id)
  const { eyes } = await confirm(plan, forum.options)
  assert.deepEqual(
    eyes.filter(({ outcome }) => outcome === 'failed').map(({ as, at: where }) => `${as}: ${where}`),
    ['member limpet: Surveys/Raw counts'],
  )
})

test('stopped at every write, the next run goes on and ends in the same state', long, async () => {
  const whole = await start()
  const first = await settle(watchers(whole.address), { ...whole.options, confirm: false })
  const state = ({ board }: typeof whole) => ({
    settings: board.settings,
    groups: board.groups.map(({ name }) => name),
    forums: board.forums.map(({ title, may, locked }) => ({
      title,
      locked,
      may: Object.fromEntries(
        // whoever lets members in lets everybody in a group in as well, ticked or not
        Object.entries(may).map(([action, who]) => [
          action,
          who.map((one) => one.replace(/\d+/, '')).filter((one) => one !== 'group ' || !who.includes('members')),
        ]),
      ),
    })),
    members: board.accounts.map(({ username, groups, waits }) => [username, groups.length, waits]),
    shared: board.shared.size,
  })
  const wanted = state(whole)
  for (let at = 1; at < first.writes; at += 2) {
    const forum = await start()
    const stop = new AbortController()
    let writes = 0
    await settle(watchers(forum.address), {
      ...forum.options,
      signal: stop.signal,
      confirm: false,
      watch: ({ purpose }) => {
        if (purpose === 'write') writes += 1
        return () => {
          if (writes === at) stop.abort()
        }
      },
    }).then(
      () => assert.fail(`not stopped at write ${at}`),
      () => undefined,
    )
    const { failed: left, checks } = await settle(watchers(forum.address), forum.options)
    assert.deepEqual([left, failed(checks)], [[], []], `stopped at write ${at}`)
    assert.deepEqual(state(forum), wanted, `stopped at write ${at}`)
  }
})

test('on a system that can’t be closed to visitors, the file says so with its own key, and may excuse it', async () => {
  const forum = await start()
  const [system] = forum.options.systems
  assert.ok(system)
  const areas = { ...system.areas, opening: undefined }
  const options = { ...forum.options, systems: [{ ...system, areas }], confirm: false }
  const never = async (leave: string) =>
    (
      await compareSite(
        watchers(forum.address, (text) => text.replace('leave: []', `leave: [${leave}]`)),
        options,
      )
    ).comparison.never
  assert.deepEqual(await never(''), [{ ref: 'site.open', text: 'this system has no way to be closed to visitors' }])
  assert.deepEqual(await never('site.open'), [])
})

test('a plan for another kind of site is refused before any password is sent', async () => {
  const forum = await start()
  const blog = watchers(forum.address, (text) => text.replace('kind: forum', 'kind: blog'))
  await assert.rejects(settle(blog, forum.options), { code: 'other-kind', exit: 3 })
  assert.ok(forum.requests.every((line) => line.startsWith('GET ')))
})

test('a forum in use: refused, then only what the file names is touched, and nothing closes it', async () => {
  const forum = await start('in-use')
  await assert.rejects(settle(watchers(forum.address), forum.options), { code: 'in-use' })
  const seen: Promise<number>[] = []
  const done = await settle(watchers(forum.address), {
    ...forum.options,
    inUse: true,
    confirm: false,
    on: (event) => {
      if (event.is === 'carried') seen.push(fetch(forum.address).then(({ status }) => status))
    },
  })
  assert.deepEqual(done.failed, [])
  assert.ok((await Promise.all(seen)).every((status) => status === 200))
  assert.ok(forum.board.forums.some(({ title }) => title === 'Test forum'))
  assert.ok(forum.board.topics.some(({ title }) => title === 'Is anybody here?'))
  assert.ok(forum.board.accounts.some(({ username }) => username === 'whelk'))
})

test('60 forums: a form each to make and one for access, and no page read twice', async () => {
  const forum = await start()
  const { failed: left, requests } = await settle(manyForums(forum.address, 6, 10), {
    ...forum.options,
    confirm: false,
  })
  assert.deepEqual(left, [])
  // making and access take a form and its sending each; what shipped is read again before it goes, with all that is inside,
  // and with the list of accounts, which says when the forum was made
  assert.ok(requests < 66 * 2 + 60 * 2 + 72, `${requests} requests`)
  assert.equal((await settle(manyForums(forum.address, 6, 10), forum.options)).writes, 0)
})

test('a system that bears few sign-ins: who could not look is told as unseen, and why', async () => {
  const forum = await start()
  await settle(watchers(forum.address), { ...forum.options, confirm: false })
  const [system] = forum.options.systems
  assert.ok(system?.publicSide)
  const sparing = { ...system, publicSide: { ...system.publicSide, signIns: 1 } }
  const { eyes, failed: wrong } = await confirm(
    watchers(forum.address, (text) => text.replace(/ {2}- \{ forum: .*member kelp.*\n/, '')),
    { ...forum.options, systems: [sparing] },
  )
  assert.equal(wrong, 0)
  assert.deepEqual([...new Set(eyes.filter(({ seen }) => seen === null).map(({ as }) => as))], ['Survey volunteers'])
  assert.match(eyes.find(({ seen }) => seen === null)?.why ?? '', /bears 1 sign-ins/)
})

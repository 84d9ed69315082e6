import assert from 'node:assert/strict'
import { spawn } from 'node:child_process'
import {
  existsSync,
  mkdirSync,
  readdirSync,
  readFileSync,
  statSync,
  symlinkSync,
  utimesSync,
  writeFileSync,
} from 'node:fs'
import { join } from 'node:path'
import { after, test } from 'node:test'
import { LoginsFile, Secret, settle, type RunEvent } from 'unpack'
import { State } from '../../src/engine/state.js'
import { Run } from '../../src/engine/run.js'
import { long } from '../help/long.js'
import { folder } from '../help/folders.js'
import { planned } from '../help/plan.js'
import { PASSPHRASE, runningStandIn } from '../help/sites.js'

const root = folder()
const open: { close(): Promise<void> }[] = []
after(() => Promise.all(open.map((one) => one.close())))
const address = { origin: 'http://127.0.0.1:4101', base: '/' }
const lockFile = (state: string) => join(state, readdirSync(state)[0] ?? '', 'lock.json')
const held = async (name: string) => {
  const state = join(root, name)
  const lock = await (await State.of(address, state)).lock()
  return {
    state,
    lock,
    file: lockFile(state),
    holder: JSON.parse(readFileSync(lockFile(state), 'utf8')) as { [key: string]: unknown },
  }
}

test('a lock of a dead process is taken over at once, one of a process that lives is not, however long it slept', async () => {
  const { state, file, holder } = await held('dead')
  const sleeper = spawn(process.execPath, ['-e', 'setTimeout(() => {}, 60000)'], { stdio: 'ignore' })
  const started = readFileSync(`/proc/${sleeper.pid}/stat`, 'utf8')
    .replace(/^.*\) /s, '')
    .split(' ')[19]
  sleeper.kill('SIGSTOP')
  writeFileSync(file, JSON.stringify({ ...holder, process: sleeper.pid, started }))
  utimesSync(file, new Date(0), new Date(0))
  await assert.rejects((await State.of(address, state)).lock(), { code: 'locked' })
  // its number used again by another process is not it
  writeFileSync(file, JSON.stringify({ ...holder, process: sleeper.pid, started: '1' }))
  await (await (await State.of(address, state)).lock()).end()
  writeFileSync(file, JSON.stringify({ ...holder, process: sleeper.pid, started }))
  const gone = new Promise((resolve) => sleeper.once('close', resolve))
  sleeper.kill('SIGKILL')
  await gone
  await (await (await State.of(address, state)).lock()).end()
  assert.ok(!existsSync(file))
})

test('of another machine, its age decides', async () => {
  const { state, file, holder } = await held('elsewhere')
  writeFileSync(file, JSON.stringify({ ...holder, machine: 'another' }))
  await assert.rejects((await State.of(address, state)).lock(), { code: 'locked' })
  utimesSync(file, new Date(0), new Date(0))
  await (await (await State.of(address, state)).lock()).end()
})

test('a run whose lock another has taken writes nothing more', async () => {
  const site = await runningStandIn(root, { standing: 'first-run' })
  open.push(site)
  const plan = planned(site.address, 'pages: [{ title: A, slug: a }, { title: B, slug: b }, { title: C, slug: c }]')
  let sent = 0
  const on = (event: RunEvent) => {
    if (event.is !== 'carried' || ++sent !== 2) return
    const file = lockFile(site.options.state)
    writeFileSync(file, readFileSync(file, 'utf8').replace(/"key":"[^"]*"/, '"key":"another"'))
  }
  await assert.rejects(settle(plan, { ...site.options, on, confirm: false }), { code: 'lock-lost', exit: 5 })
  assert.ok(site.blog.pages.filter(({ id }) => id > 3).length < 3)
})

test('locked is said of another run alone: a state folder that can’t be used is told as that', async () => {
  const site = await runningStandIn(root, { standing: 'first-run' })
  open.push(site)
  const file = join(root, 'no-folder')
  writeFileSync(file, '')
  await assert.rejects(settle(planned(site.address), { ...site.options, state: file }), {
    code: 'folder-trouble',
    exit: 4,
    message: /not a folder|is a file/,
  })
  await assert.rejects(settle(planned(site.address), { ...site.options, records: join(file, 'deep') }), {
    code: 'folder-trouble',
  })
  // what it could not keep an account of was not done
  assert.equal(site.blog.standing, 'first-run')
})

test('a lock that is dated ahead of our clock counts only as long as it gives signs of life', long, async () => {
  const state = join(root, 'ahead')
  const address = { origin: 'http://127.0.0.1:4109', base: '/' }
  const first = await State.of(address, state)
  await (await first.lock()).end()
  const file = join(first.folder, 'lock.json')
  const holder = { lock: 1, key: 'theirs', process: 7, started: '1', machine: 'another machine' }
  writeFileSync(file, JSON.stringify(holder))
  const ahead = () => {
    const time = new Date(Date.now() + 3_600_000)
    utimesSync(file, time, time)
  }
  ahead()
  const beats = setInterval(ahead, 2000)
  await assert.rejects((await State.of(address, state)).lock(), { code: 'locked' })
  clearInterval(beats)
  await (await (await State.of(address, state)).lock()).end()
})

test('damaged state is set aside and told, not counted as empty', async () => {
  const site = await runningStandIn(root, { standing: 'first-run' })
  open.push(site)
  const own = { ...site.options, confirm: false }
  await settle(planned(site.address, 'pages: [{ title: A, slug: a }]'), own)
  const file = join(own.state, readdirSync(own.state)[0] ?? '', 'state.json')
  writeFileSync(file, readFileSync(file, 'utf8').slice(0, 40))
  const done = await settle(planned(site.address, 'pages: [{ title: B, slug: a }]'), own)
  assert.match(done.comparison.notes.map(({ text }) => text).join(), /state\.json is damaged/)
  // nothing tells that the page is ours any more
  assert.deepEqual(
    done.comparison.byHand.map(({ ref }) => ref),
    ['pages/a'],
  )
  await settle(planned(site.address, 'tags: []\npages: [{ title: B, slug: a }]'.replace('tags: []\n', '')), {
    ...own,
    again: true,
  })
  assert.ok(readdirSync(join(file, '..')).some((name) => name.startsWith('state.json.damaged-')))
})

test('where no folder can be made, the run ends and says where', { skip: !existsSync('/proc/self') }, async () => {
  const site = await runningStandIn(root, { standing: 'first-run' })
  open.push(site)
  // Node itself never comes back from there
  const nowhere = '/proc/unpack'
  const trouble = { code: 'folder-trouble', exit: 4, message: /\/proc\/unpack.*no such file or folder/ }
  for (const wrong of [{ state: nowhere }, { records: nowhere }])
    await assert.rejects(settle(planned(site.address), { ...site.options, ...wrong }), trouble)
  const logins = await LoginsFile.open(join(nowhere, 'logins.json'), new Secret(PASSPHRASE), 4)
  await assert.rejects(logins.put('http://a.example/', 'first', new Secret('x')), trouble)
  assert.equal(site.blog.standing, 'first-run')
})

test('200 logins put at once all arrive, written through a link to the real file; damage and newer versions are told', async () => {
  const real = join(root, 'real', 'logins.json')
  mkdirSync(join(root, 'real'))
  await (await LoginsFile.open(real, new Secret(PASSPHRASE), 4)).put('http://a.example/', 'first', new Secret('x'))
  const link = join(root, 'link.json')
  symlinkSync(real, link)
  const files = await Promise.all([1, 2].map(() => LoginsFile.open(link, new Secret(PASSPHRASE))))
  const [one, two] = files
  assert.ok(one && two)
  await Promise.all(
    Array.from({ length: 200 }, (_, at) =>
      (at % 2 === 0 ? one : two).put('http://a.example/', `member${at}`, new Secret(`pass ${at}`)),
    ),
  )
  assert.equal((await LoginsFile.open(real, new Secret(PASSPHRASE))).at('http://a.example/').length, 201)
  assert.equal(statSync(real).mode & 0o777, 0o600)
  writeFileSync(real, JSON.stringify({ unpackLogins: 2, vault: '…' }))
  await assert.rejects(LoginsFile.open(real, new Secret(PASSPHRASE)), { code: 'logins-newer' })
  writeFileSync(real, '{ "unpackLog')
  await assert.rejects(LoginsFile.open(real, new Secret(PASSPHRASE)), { code: 'logins-broken' })
  await assert.rejects(LoginsFile.open(join(root, 'real'), new Secret(PASSPHRASE)), { code: 'folder-trouble' })
})

test('by another name of the same machine the run goes on under its lock, and looks at it as well', async () => {
  const site = await runningStandIn(root, { standing: 'first-run' })
  open.push(site)
  const run = await Run.begin(planned(site.address), site.options)
  try {
    await run.lock()
    const there = await run.movedTo({ origin: `http://localhost:${new URL(site.address).port}`, base: '/' })
    const file = lockFile(site.options.state)
    writeFileSync(file, readFileSync(file, 'utf8').replace(/"key":"[^"]*"/, '"key":"another"'))
    await assert.rejects(there.site.visitor().post('office/pages/new', { title: 'A' }), { code: 'lock-lost' })
  } finally {
    await run.end()
  }
  assert.equal(site.blog.pages.length, 0)
})

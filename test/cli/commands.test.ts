import assert from 'node:assert/strict'
import { mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { after, before, test } from 'node:test'
import { fileURLToPath } from 'node:url'
import { Ajv2020 } from 'ajv/dist/2020.js'
import { LoginsFile, Secret } from 'unpack'
import { demoFolder, demoText } from '../help/demo.js'
import { folder } from '../help/folders.js'
import { unpack, type Ran } from '../help/cli.js'
import { PASSPHRASE, runningStandIn, writesAt, type RunningStandIn } from '../help/sites.js'

const root = folder()
const docs = fileURLToPath(new URL('../../docs/schemas/', import.meta.url))
const ajv = new Ajv2020({ allowUnionTypes: true })
const validate = Object.fromEntries(readdirSync(docs).map((file) => [file.replace('.schema.json', ''), ajv.compile(JSON.parse(readFileSync(join(docs, file), 'utf8')) as object)]))
const json = (ran: Ran, schema: string): Record<string, unknown> => {
  const document = JSON.parse(ran.out) as Record<string, unknown>
  assert.ok(validate[schema]?.(document), JSON.stringify(validate[schema]?.errors))
  return document
}
const demo = join(demoFolder, 'baseline.yaml')
let env: Record<string, string>
const open: RunningStandIn[] = []

before(async () => {
  env = { UNPACK_STATE: join(root, 'state'), UNPACK_LOGINS: join(root, 'logins.json'), UNPACK_PASSPHRASE: PASSPHRASE }
  // a logins file that opens at once: what is tested here is not its slowness
  await (await LoginsFile.open(env.UNPACK_LOGINS ?? '', new Secret(PASSPHRASE), 4)).put('http://127.0.0.1:1/', 'nobody', new Secret('x'))
})
after(() => Promise.all(open.map((standIn) => standIn.close())))
const stand = async (standing: 'placeholder' | 'first-run' | 'fresh' | 'in-use' = 'first-run') => {
  const standIn = await runningStandIn(root, { standing })
  open.push(standIn)
  return standIn
}
const run = (args: string[], more: Parameters<typeof unpack>[1] = {}) => unpack(args, { cwd: root, ...more, env: { ...env, ...more.env } })

test('help: every command has one, with examples', async () => {
  const main = await run(['--help'])
  assert.equal(main.exit, 0)
  await Promise.all(['survey', 'compare', 'settle', 'confirm', 'logins', 'schema', 'stand-in', 'demo'].map(async (command) => {
    assert.match(main.out, new RegExp(`^ {2}${command}\\b`, 'm'))
    const help = await run([command, '--help'])
    assert.equal(help.exit, 0)
    assert.match(help.out, /Examples:/)
  }))
})

test('a wrong command line: exit 2, one message, no trace', async () => {
  await Promise.all([['setle'], ['survey'], ['settle', demo, '--colour'], ['stand-in', 'boat'], ['stand-in', 'blog', '--port', 'x'], ['schema', 'nothing'], ['survey', 'nonsense'], ['compare', 'nowhere.yaml'], ['compare', demo, '--at', 'nonsense'], ['logins', 'show', 'nonsense', 'a']].map(async (args) => {
    const ran = await run(args)
    assert.equal(ran.exit, 2, args.join(' '))
    assert.equal(ran.out, '')
    assert.ok(ran.err.length > 0 && !/\n\s+at /.test(ran.err), ran.err)
  }))
})

test('a baseline with mistakes: each on a line with its place, exit 2, and nothing was asked of any site', async () => {
  const standIn = await stand()
  const file = join(root, 'wrong.yaml')
  writeFileSync(file, `unpack: 1\nsite: { address: "${standIn.address}", titel: x }\nowner: { username: admin, password: hunter2 }\n`)
  const ran = await run(['settle', file, '--yes'])
  assert.equal(ran.exit, 2)
  for (const place of ['wrong.yaml:2:', 'wrong.yaml:3:20:', 'wrong.yaml:3:37:']) assert.ok(ran.err.includes(place), ran.err)
  assert.doesNotMatch(ran.err, /hunter2/)
  assert.deepEqual(standIn.requests, [])
  const { error } = json(await run(['settle', file, '--yes', '--json']), 'error') as { error: { code: string; lines: string[]; at: string } }
  assert.deepEqual([error.code, error.lines.length, /wrong\.yaml:2:\d+$/.test(error.at)], ['baseline-wrong', 3, true])
})

test('survey: exit 0 whatever stands there', async () => {
  await Promise.all((['placeholder', 'first-run', 'fresh', 'in-use'] as const).map(async (standing) => {
    const { address } = await stand(standing)
    const said = await run(['survey', address])
    assert.deepEqual([said.exit, said.err], [0, ''])
    assert.match(said.out, new RegExp(`standing +${standing}`))
    const document = json(await run(['survey', address, '--json']), 'survey')
    assert.deepEqual([document.standing, document.safe, document.address], [standing, standing === 'first-run' || standing === 'fresh', address])
  }))
  const nothing = json(await run(['survey', 'http://127.0.0.1:9/', '--json']), 'survey')
  assert.deepEqual([nothing.standing, nothing.system], ['nothing', null])
})

test('compare, settle, confirm: one document each, and the exit codes that belong to it', async () => {
  const standIn = await stand()
  const at = ['--at', standIn.address, '--json']
  const compared = await run(['compare', demo, ...at])
  assert.equal(compared.exit, 1)
  const comparison = json(compared, 'compare') as { differences: { ref: string; text: string }[]; expected: boolean }
  assert.deepEqual([comparison.differences.length, comparison.expected], [12, true])
  assert.equal(writesAt(standIn), 0)

  const asked = await run(['settle', demo, '--at', standIn.address])
  assert.deepEqual([asked.exit, writesAt(standIn)], [1, 0])
  assert.match(asked.err, /“A first post”/)
  assert.match(asked.out, /Nothing was written; 12 differences are open/)

  const settled = await run(['settle', demo, ...at, '--yes'])
  assert.equal(settled.exit, 0, settled.err)
  const done = json(settled, 'settle') as { settled: string[]; failed: unknown[]; writes: number; checks: { ok: boolean }[]; record: string }
  assert.deepEqual([done.failed, done.writes, done.settled.length], [[], writesAt(standIn), 12])
  assert.ok(done.checks.length > 20 && done.checks.every(({ ok }) => ok))
  assert.equal(statSync(join(root, done.record)).mode & 0o777, 0o700)

  const writes = writesAt(standIn)
  const again = await run(['settle', demo, ...at, '--yes'], { cwd: '/' , env: { UNPACK_STATE: join(root, 'elsewhere') } })
  assert.equal(again.exit, 0)
  assert.deepEqual([(json(again, 'settle') as { writes: number }).writes, writesAt(standIn)], [0, writes])
  const nothing = await run(['compare', demo, ...at])
  assert.deepEqual([nothing.exit, json(nothing, 'compare').differences], [0, []])

  const confirmed = await run(['confirm', demo, ...at])
  assert.equal(confirmed.exit, 0)
  assert.equal(json(confirmed, 'confirm').failed, 0)
  standIn.blog.settings.title = 'Somebody was here'
  const changed = await run(['confirm', demo, ...at])
  assert.equal(changed.exit, 1)
  assert.equal(json(changed, 'confirm').failed, 2)
  const text = await run(['confirm', demo, '--at', standIn.address])
  assert.match(text.out, /✗ +the front page shows the title/)
})

test('no secret in any output, and the passphrase is not among the processes', async () => {
  const standIn = await stand()
  const ran = await run(['settle', demo, '--at', standIn.address, '--yes'])
  const password = standIn.blog.accounts[0]?.password ?? 'none'
  assert.ok(!`${ran.out}${ran.err}`.includes(password) && !`${ran.out}${ran.err}`.includes(PASSPHRASE))
  const shown = await run(['logins', 'show', standIn.address, 'marlow'])
  assert.equal(shown.out, `${password}\n`)
})

test('an error is one document too', async () => {
  const inUse = await stand('in-use')
  await run(['logins', 'add', inUse.address, 'boss'], { input: 'harbour-light-41\n' })
  const file = join(root, 'boss.yaml')
  writeFileSync(file, demoText.replace('username: marlow', 'username: boss'))
  mkdirSync(join(root, 'pages'), { recursive: true })
  for (const name of readdirSync(join(demoFolder, 'pages'))) writeFileSync(join(root, 'pages', name), readFileSync(join(demoFolder, 'pages', name)))
  const refused = await run(['settle', file, '--at', inUse.address, '--yes', '--json'])
  assert.deepEqual([refused.exit, (json(refused, 'error') as { error: { code: string } }).error.code], [3, 'in-use'])
  const nobody = await run(['settle', demo, '--at', inUse.address, '--yes', '--json'])
  assert.deepEqual([nobody.exit, (json(nobody, 'error') as { error: { code: string } }).error.code], [4, 'login-missing'])
  const wrong = await run(['settle', file, '--at', inUse.address, '--yes', '--json'], { env: { UNPACK_PASSPHRASE: 'high water' } })
  assert.deepEqual([wrong.exit, (json(wrong, 'error') as { error: { code: string } }).error.code], [4, 'passphrase-wrong'])
  const without = await run(['settle', file, '--at', inUse.address, '--yes', '--json'], { env: { UNPACK_PASSPHRASE: '' } })
  assert.deepEqual([without.exit, (json(without, 'error') as { error: { code: string } }).error.code], [4, 'passphrase-missing'])
  const lacking = await run(['settle', file, '--at', inUse.address, '--in-use', '--yes', '--json', '--no-confirm'])
  assert.equal(lacking.exit, 0, lacking.err)
})

test('logins: add, list, show, remove', async () => {
  const made = join(root, 'new', 'logins.json')
  assert.equal((await run(['logins', 'add', 'https://repair.example', 'marlow', '--logins', made], { input: 'x' })).exit, 0)
  assert.equal(statSync(made).mode & 0o777, 0o600)
  const mine = { env: { UNPACK_LOGINS: join(root, 'own', 'logins.json') } }
  const quick = await LoginsFile.open(mine.env.UNPACK_LOGINS, new Secret(PASSPHRASE), 4)
  await quick.put('https://x.example/', 'odo', new Secret('x'))
  await quick.remove('https://x.example/', 'odo')
  const added = await run(['logins', 'add', 'https://repair.example', 'marlow'], { ...mine, input: 'p"ss wörd\\\n' })
  assert.equal(added.exit, 0, added.err)
  assert.doesNotMatch(added.out, /wörd/)
  const listed = await run(['logins', 'list', '--json'], mine)
  assert.deepEqual((JSON.parse(listed.out) as { logins: { address: string }[] }).logins.map(({ address }) => address), ['https://repair.example/'])
  assert.equal((await run(['logins', 'show', 'https://repair.example/', 'marlow'], mine)).out, 'p"ss wörd\\\n')
  const wrong = await run(['logins', 'show', 'https://repair.example/', 'marlow'], { env: { ...mine.env, UNPACK_PASSPHRASE: 'x' } })
  assert.deepEqual([wrong.exit, wrong.out], [4, ''])
  assert.equal((await run(['logins', 'add', 'https://repair.example', 'odo'], { ...mine, input: '' })).exit, 2)
  assert.equal((await run(['logins', 'remove', 'https://repair.example', 'marlow'], mine)).exit, 0)
  assert.equal((await run(['logins', 'remove', 'https://repair.example', 'marlow'], mine)).exit, 4)
})

test('Ctrl-C: exit 130, and the next run goes on', async () => {
  const standIn = await stand()
  const stopped = await run(['settle', demo, '--at', standIn.address, '--yes'], { abortAt: /settings: site/ })
  assert.equal(stopped.exit, 130, stopped.err)
  assert.match(stopped.err, /Stopped\. What was begun is in the journal/)
  const on = await run(['settle', demo, '--at', standIn.address, '--yes', '--json'])
  assert.equal(on.exit, 0, on.err)
})

test('a system from outside is registered like our own', async () => {
  const standIn = await stand()
  standIn.tamper = (_url, html) => html.replace('Stand-in blog 1.0', 'Boathouse 1.0')
  const module = join(root, 'boathouse.mjs')
  const adapter = fileURLToPath(new URL('../../dist/stand-ins/blog/adapter/index.js', import.meta.url))
  writeFileSync(module, `import { standInBlogSystem as base } from '${adapter}'
export default { ...base, id: 'boathouse', async recognise(look) { const seen = await base.recognise({ ...look, front: { ...look.front, text: look.front.text.replace('Boathouse', 'Stand-in blog') } }); return seen && { ...seen, id: 'boathouse', name: 'Boathouse' } } }`)
  const ran = await run(['settle', demo, '--at', standIn.address, '--yes', '--json', '--with', module])
  assert.equal(ran.exit, 0, ran.err + ran.out)
  writeFileSync(join(root, 'not-one.mjs'), 'export default { id: 1 }')
  const wrong = await run(['survey', standIn.address, '--with', join(root, 'not-one.mjs'), '--json'])
  assert.deepEqual([wrong.exit, (json(wrong, 'error') as { error: { code: string } }).error.code], [2, 'system-unknown'])
})

test('the demo: placeholder, first run, settled, confirmed, in under 15 seconds', async () => {
  const began = performance.now()
  const ran = await run(['demo'], { env: { UNPACK_PASSPHRASE: '' } })
  assert.equal(ran.exit, 0, ran.err)
  for (const words of [/standing +placeholder/, /standing +first-run/, /12 differences/, /Settled, and read back as planned/, /checks, all passed/, /report\.html/, /Try next/]) assert.match(ran.out, words)
  assert.ok(performance.now() - began < 15_000)
})

test('colours only where they are wanted', async () => {
  const { address } = await stand('placeholder')
  // eslint-disable-next-line no-control-regex
  const escape = /\u001b\[/
  assert.doesNotMatch((await run(['survey', address])).out, escape)
  assert.match((await run(['survey', address], { env: { NO_COLOR: '', FORCE_COLOR: '1' } })).out, escape)
})

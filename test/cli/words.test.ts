import assert from 'node:assert/strict'
import { spawnSync } from 'node:child_process'
import { readdirSync, statSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { test } from 'node:test'
import { LoginsFile, Secret } from 'unpack'
import { long } from '../help/long.js'
import { cliLab, json } from '../help/cli-lab.js'
import { folder } from '../help/folders.js'
import { demoFolder } from '../help/demo.js'
import { root as projectRoot } from '../help/root.js'
import { PASSPHRASE } from '../help/sites.js'

const { root, stand, run } = cliLab()
const demo = join(demoFolder, 'baseline.yaml')

test('help: every command has one, with examples', async () => {
  const main = await run(['--help'])
  assert.equal(main.exit, 0)
  await Promise.all(
    ['survey', 'compare', 'settle', 'confirm', 'logins', 'schema', 'stand-in', 'demo'].map(async (command) => {
      assert.match(main.out, new RegExp(`^ {2}${command}\\b`, 'm'))
      const help = await run([command, '--help'])
      assert.equal(help.exit, 0)
      assert.match(help.out, /Examples:/)
    }),
  )
})

test('every help text fits a terminal of eighty columns, and every command has examples', async () => {
  const commandsIn = (help: string): string[] =>
    [...(/Commands:\n([\s\S]*?)(?:\n\n|$)/.exec(help)?.[1] ?? '').matchAll(/^ {2}([a-z-]+)/gm)]
      .map(([, name = '']) => name)
      .filter((name) => name !== 'help')
  const look = async (path: readonly string[]): Promise<void> => {
    const { out } = await run([...path, '--help'])
    for (const line of out.split('\n')) assert.ok(line.length <= 80, `${path.join(' ')}: ${line}`)
    assert.match(out, /Examples:/, path.join(' '))
    await Promise.all(commandsIn(out).map((name) => look([...path, name])))
  }
  await look([])
})

test('a command or an option that there isn’t is said so, and what there is', async () => {
  for (const [args, said] of [
    [['setle', 'plan.yaml'], /unknown command 'setle'[\s\S]*settle/],
    [['settle', '--yess', 'plan.yaml'], /unknown option '--yess'[\s\S]*--yes/],
    [['logins', 'put'], /unknown command 'put'/],
  ] as const) {
    const { exit, out, err } = await run([...args])
    assert.deepEqual([exit, out], [2, ''])
    assert.match(err, said)
    assert.match(err, /See --help\.$/m)
  }
})

test('a reader that goes away ends a command without a trace', () => {
  const main = join(projectRoot, 'dist/src/cli/main.js')
  const ran = spawnSync('sh', ['-c', `"$0" "$1" schema | head -n 1`, process.execPath, main], { encoding: 'utf8' })
  assert.deepEqual([ran.stdout.trim(), ran.stderr], ['{', ''])
})

test('a wrong command line: exit 2, one message, no trace', async () => {
  await Promise.all(
    [
      ['setle'],
      ['survey'],
      ['settle', demo, '--colour'],
      ['stand-in', 'boat'],
      ['stand-in', 'blog', '--port', 'x'],
      ['schema', 'nothing'],
      ['survey', 'nonsense'],
      ['compare', 'nowhere.yaml'],
      ['compare', demo, '--at', 'nonsense'],
      ['logins', 'show', 'nonsense', 'a'],
    ].map(async (args) => {
      const ran = await run(args)
      assert.equal(ran.exit, 2, args.join(' '))
      assert.equal(ran.out, '')
      assert.ok(ran.err.length > 0 && !/\n\s+at /.test(ran.err), ran.err)
    }),
  )
})

test('a wrong command line with --json is one document too', async () => {
  const ran = await run(['settle', demo, '--colour', '--json'])
  const { error } = json(ran, 'error') as { error: { code: string; message: string } }
  assert.deepEqual([ran.exit, error.code, error.message], [2, 'command-line-wrong', "unknown option '--colour'"])
})

test('a baseline with mistakes: each on a line with its place, exit 2, and nothing was asked of any site', async () => {
  const standIn = await stand()
  const file = join(root, 'wrong.yaml')
  writeFileSync(
    file,
    `unpack: 1\nsite: { address: "${standIn.address}", titel: x }\nowner: { username: admin, password: hunter2 }\n`,
  )
  const ran = await run(['settle', file, '--yes'])
  assert.equal(ran.exit, 2)
  for (const place of ['wrong.yaml:2:', 'wrong.yaml:3:20:', 'wrong.yaml:3:37:'])
    assert.ok(ran.err.includes(place), ran.err)
  assert.doesNotMatch(ran.err, /hunter2/)
  assert.deepEqual(standIn.requests, [])
  const { error } = json(await run(['settle', file, '--yes', '--json']), 'error') as {
    error: { code: string; lines: string[]; at: string }
  }
  assert.deepEqual([error.code, error.lines.length, /wrong\.yaml:2:\d+$/.test(error.at)], ['baseline-wrong', 3, true])
})

test('survey: exit 0 whatever stands there', async () => {
  await Promise.all(
    (['placeholder', 'first-run', 'fresh', 'in-use'] as const).map(async (standing) => {
      const { address } = await stand(standing)
      const document = json(await run(['survey', address, '--json']), 'survey')
      assert.deepEqual(
        [document.standing, document.safe, document.address],
        [standing, standing === 'first-run' || standing === 'fresh', address],
      )
    }),
  )
  const { address } = await stand('placeholder')
  const said = await run(['survey', address])
  assert.deepEqual([said.exit, said.err], [0, ''])
  assert.match(said.out, /standing +placeholder/)
  const nothing = json(await run(['survey', 'http://127.0.0.1:9/', '--json']), 'survey')
  assert.deepEqual([nothing.standing, nothing.system], ['nothing', null])
})

test('logins: add, list, show, remove', async () => {
  const made = join(root, 'new', 'logins.json')
  assert.equal(
    (await run(['logins', 'add', 'https://repair.example', 'marlow', '--logins', made], { input: 'x' })).exit,
    0,
  )
  assert.equal(statSync(made).mode & 0o777, 0o600)
  const mine = { env: { UNPACK_LOGINS: join(root, 'own', 'logins.json') } }
  const quick = await LoginsFile.open(mine.env.UNPACK_LOGINS, new Secret(PASSPHRASE), 4)
  await quick.put('https://x.example/', 'odo', new Secret('x'))
  await quick.remove('https://x.example/', 'odo')
  const added = await run(['logins', 'add', 'https://repair.example', 'marlow'], { ...mine, input: 'p"ss wörd\\\n' })
  assert.equal(added.exit, 0, added.err)
  assert.doesNotMatch(added.out, /wörd/)
  const listed = await run(['logins', 'list', '--json'], mine)
  assert.deepEqual(
    (JSON.parse(listed.out) as { logins: { address: string }[] }).logins.map(({ address }) => address),
    ['https://repair.example/'],
  )
  assert.equal((await run(['logins', 'show', 'https://repair.example/', 'marlow'], mine)).out, 'p"ss wörd\\\n')
  const wrong = await run(['logins', 'show', 'https://repair.example/', 'marlow'], {
    env: { ...mine.env, UNPACK_PASSPHRASE: 'x' },
  })
  assert.deepEqual([wrong.exit, wrong.out], [4, ''])
  assert.equal((await run(['logins', 'add', 'https://repair.example', 'odo'], { ...mine, input: '' })).exit, 2)
  assert.equal((await run(['logins', 'remove', 'https://repair.example', 'marlow'], mine)).exit, 0)
  assert.equal((await run(['logins', 'remove', 'https://repair.example', 'marlow'], mine)).exit, 4)
})

test('the demo: placeholder, first run, settled, confirmed, in half a minute at most', long, async () => {
  const began = performance.now()
  const [cwd, temporary] = [folder(), folder()]
  const ran = await run(['demo'], { cwd, env: { UNPACK_PASSPHRASE: '', TMPDIR: temporary } })
  assert.equal(ran.exit, 0, ran.err)
  for (const words of [
    /standing +placeholder/,
    /standing +first-run/,
    /\d\d differences from the baseline/,
    /Settled, and read back as planned/,
    /checks, all passed/,
    /The site is gone again/,
    /Try next/,
  ])
    assert.match(ran.out, words)
  // nothing that is offered is gone, and nothing is left behind
  assert.doesNotMatch(ran.out, /report\.html|logins show|sign in/)
  assert.deepEqual([readdirSync(cwd), readdirSync(temporary)], [[], []])
  assert.ok(performance.now() - began < 30_000)
})

test('colours only where they are wanted', async () => {
  const { address } = await stand('placeholder')
  // eslint-disable-next-line no-control-regex
  const escape = /\u001b\[/
  assert.doesNotMatch((await run(['survey', address])).out, escape)
  assert.match((await run(['survey', address], { env: { NO_COLOR: '', FORCE_COLOR: '1' } })).out, escape)
})

test('a passphrase that is easy to guess is said so when it is chosen, and only then', long, async () => {
  const file = join(root, 'weak', 'logins.json')
  const add = (passphrase: string, logins = file) =>
    run(['logins', 'add', 'https://quay.example/', 'marlow', '--logins', logins], {
      env: { UNPACK_PASSPHRASE: passphrase },
      input: 'low-water-at-nine\n',
    })
  const first = await add('tide')
  assert.deepEqual([first.exit, /easy to guess: it is shorter than 12 signs/.test(first.err)], [0, true])
  assert.doesNotMatch(first.err, /tide/)
  assert.doesNotMatch((await add('tide')).err, /easy to guess/)
  assert.match((await add('1q2w3e4r5t6y', `${file}.2`)).err, /among those that are tried first/)
  assert.doesNotMatch((await add('boots by the green door', `${file}.3`)).err, /easy to guess/)
})

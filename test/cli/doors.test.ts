import assert from 'node:assert/strict'
import { spawn } from 'node:child_process'
import { mkdirSync, readdirSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { after, test } from 'node:test'
import { long } from '../help/long.js'
import { cliLab, json } from '../help/cli-lab.js'
import { root as project } from '../help/root.js'
import { runningStandIn } from '../help/sites.js'

const { root, stand, run } = cliLab()
const open: { close(): Promise<void> }[] = []
after(() => Promise.all(open.map((one) => one.close())))
const main = join(project, 'dist/src/cli/main.js')

/** A short baseline in a folder of its own. */
function baseline(
  name: string,
  address: string,
  rest = '',
  owner = 'username: marlow, email: marlow@quay.example',
  site = '',
): string {
  const folder = join(root, name)
  mkdirSync(folder, { recursive: true })
  const file = join(folder, 'baseline.yaml')
  writeFileSync(
    file,
    `unpack: 1\nsite: { address: "${address}", title: Tidepool${site} }\nowner: { ${owner} }\n${rest}`,
  )
  return file
}

test('the host’s login is stored as such, told in the list, and renewed when it is used', async () => {
  const standIn = await stand('fresh')
  const added = await run(['logins', 'add', standIn.address, 'boss', '--temporary'], { input: 'harbour-light-41\n' })
  assert.match(added.out, /the host's login of “boss”/)
  assert.match((await run(['logins', 'list'])).out, /boss +since .*the host’s: renewed when it is used/)
  const file = baseline('temporary', standIn.address, '', 'username: marlow, signInAs: boss, email: m@quay.example')
  const settled = await run(['settle', file, '--yes'])
  assert.equal(settled.exit, 0, settled.err)
  assert.deepEqual(
    standIn.blog.accounts.map(({ username }) => username),
    ['marlow'],
  )
  assert.match((await run(['logins', 'show', standIn.address, 'marlow'])).out, /^\S{20,}\n$/)
})

test('a password in front of everything: told with what to do, and used once it is stored', async () => {
  const standIn = await runningStandIn(root, {
    standing: 'first-run',
    door: { username: 'quay', password: 'low-tide' },
  })
  open.push(standIn)
  const file = baseline('door', standIn.address)
  assert.match((await run(['survey', standIn.address])).out, /unpack\s+logins add --door/)
  const shut = await run(['settle', file, '--yes'])
  assert.deepEqual([shut.exit, /a password stands in front of it/.test(shut.err)], [4, true])
  const added = await run(['logins', 'add', standIn.address, 'quay', '--door'], { input: 'low-tide\n' })
  assert.match(added.out, /the password in front of/)
  const settled = await run(['settle', file, '--yes'])
  assert.equal(settled.exit, 0, settled.err)
})

test('confirm --try tries rules out; a site in use is refused', long, async () => {
  const standIn = await stand()
  const rest = 'shipped: remove\nposts: [{ title: Tide, slug: tide }]\ncomments: { approve: all }\n'
  const file = baseline('try', standIn.address, rest)
  assert.equal((await run(['settle', file, '--yes', '--no-confirm'])).exit, 0)
  const tried = await run(['confirm', file, '--try'])
  assert.equal(tried.exit, 0, tried.err)
  assert.match(tried.out, /a visitor’s comment waits for the owner/)
  assert.deepEqual(standIn.blog.comments, [])
  standIn.blog.tags.push({ id: 900, name: 'mine', slug: 'mine' })
  const refused = await run(['confirm', file, '--try', '--json'])
  assert.deepEqual(
    [refused.exit, (json(refused, 'error') as { error: { code: string } }).error.code],
    [3, 'trial-in-use'],
  )
})

test('mails: a stand-in server keeps them, --mail-folder follows the link in one', long, async () => {
  const mails = join(root, 'mails')
  const server = spawn(process.execPath, [main, 'stand-in', 'mail', '--port', '0', '--folder', mails], {
    stdio: ['ignore', 'pipe', 'ignore'],
  })
  try {
    const port = await new Promise<number>((resolve) => {
      server.stdout.setEncoding('utf8').on('data', (text: string) => {
        const found = /127\.0\.0\.1:(\d+)/.exec(text)?.[1]
        if (found) resolve(Number(found))
      })
    })
    const standIn = await runningStandIn(root, { standing: 'first-run', mail: port })
    open.push(standIn)
    const file = baseline('mail', standIn.address, '', undefined, ', contact: desk@quay.example')
    const missing = await run(['settle', file, '--yes', '--mail-folder', join(root, 'nowhere')])
    assert.deepEqual([missing.exit, /There is no folder/.test(missing.err)], [2, true])
    const left = await run(['settle', file, '--yes', '--no-confirm'])
    assert.deepEqual([left.exit, /--mail-folder FOLDER lets Unpack do that/.test(left.out)], [1, true])
    const settled = await run(['settle', file, '--yes', '--mail-folder', mails])
    assert.equal(settled.exit, 0, settled.out + settled.err)
    assert.equal(standIn.blog.settings.contact, 'desk@quay.example')
    assert.ok(readdirSync(mails).length >= 2)
  } finally {
    server.kill('SIGINT')
  }
})

test('a password that is to be asked for, and no terminal to ask at; one that is to be stored, and is not', async () => {
  const standIn = await stand()
  for (const [password, code] of [
    ['asked', 'password-asked'],
    ['stored', 'login-missing'],
  ]) {
    const file = baseline(
      'asked',
      standIn.address,
      '',
      `username: marlow, email: m@quay.example, password: ${password}`,
    )
    const ran = await run(['settle', file, '--yes', '--json'])
    assert.deepEqual([ran.exit, (json(ran, 'error') as { error: { code: string } }).error.code], [4, code])
  }
  assert.equal(standIn.blog.standing, 'first-run')
})

test('files that are not what they should be: told with their place, and nothing is sent', async () => {
  const standIn = await stand()
  const file = baseline(
    'files',
    standIn.address,
    'theme: { use: harbour, from: harbour.zip }\nlinks: { from: none.opml }\n',
  )
  writeFileSync(join(root, 'files/harbour.zip'), 'no zip')
  const ran = await run(['settle', file, '--yes'])
  assert.equal(ran.exit, 2)
  assert.match(ran.err, /baseline\.yaml:4:30: theme\.from: this is no archive/)
  assert.match(ran.err, /baseline\.yaml:5:16: links\.from: the file none\.opml is not there/)
  writeFileSync(join(root, 'files/harbour.zip'), 'PK\u0003\u0004 broken')
  writeFileSync(join(root, 'files/none.opml'), '<opml/>')
  const broken = await run(['settle', file, '--yes'])
  assert.deepEqual([broken.exit, /harbour\.zip/.test(broken.err)], [2, true])
  assert.doesNotMatch(broken.err, /\n\s+at /)
  assert.equal(standIn.blog.standing, 'first-run')
})

test('the record has an account for build servers and the exchange', async () => {
  const standIn = await stand()
  const file = baseline('record', standIn.address)
  const ran = await run(['settle', file, '--yes', '--json', '--record', join(root, 'own-records')])
  const { record } = json(ran, 'settle') as { record: string }
  assert.deepEqual(readdirSync(record).sort(), [
    'exchange.har',
    'journal.jsonl',
    'report.html',
    'report.json',
    'report.xml',
  ])
})

import assert from 'node:assert/strict'
import { cpSync, statSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { test } from 'node:test'
import { long } from '../help/long.js'
import { cliLab, json } from '../help/cli-lab.js'
import { demoFolder, demoText } from '../help/demo.js'
import { root as project } from '../help/root.js'
import { PASSPHRASE, writesAt } from '../help/sites.js'

const { root, stand, run } = cliLab()
const demo = join(demoFolder, 'baseline.yaml')

test('compare, settle, confirm: one document each, and the exit codes that belong to it', long, async () => {
  const standIn = await stand()
  const at = ['--at', standIn.address, '--json']
  const compared = await run(['compare', demo, ...at])
  assert.equal(compared.exit, 1)
  const comparison = json(compared, 'compare') as { differences: { ref: string; text: string }[]; expected: boolean }
  const { length } = comparison.differences
  assert.ok(length > 20 && comparison.expected)
  assert.equal(writesAt(standIn), 0)

  const asked = await run(['settle', demo, '--at', standIn.address])
  assert.deepEqual([asked.exit, writesAt(standIn)], [1, 0])
  assert.match(asked.err, /“A first post”/)
  assert.match(asked.out, new RegExp(`Nothing was written; ${length} differences are open`))

  const settled = await run(['settle', demo, ...at, '--yes'])
  assert.equal(settled.exit, 0, settled.err)
  const done = json(settled, 'settle') as {
    settled: string[]
    failed: unknown[]
    writes: number
    checks: { outcome: string }[]
    record: string
  }
  assert.deepEqual([done.failed, done.writes, done.settled.length], [[], writesAt(standIn), length])
  assert.ok(done.checks.length > 20 && done.checks.every(({ outcome }) => outcome === 'passed'))
  assert.equal(statSync(join(root, done.record)).mode & 0o777, 0o700)

  const writes = writesAt(standIn)
  const again = await run(['settle', demo, ...at, '--yes'], {
    cwd: '/',
    env: { UNPACK_STATE: join(root, 'elsewhere') },
  })
  assert.equal(again.exit, 0)
  assert.deepEqual([(json(again, 'settle') as { writes: number }).writes, writesAt(standIn)], [0, writes])
  const nothing = await run(['compare', demo, ...at])
  assert.deepEqual([nothing.exit, json(nothing, 'compare').differences], [0, []])

  const confirmed = await run(['confirm', demo, ...at])
  assert.equal(confirmed.exit, 0)
  const { checks, passed, failed, notLookedAt } = json(confirmed, 'confirm')
  assert.deepEqual([failed, notLookedAt, passed], [0, 0, (checks as unknown[]).length])
  standIn.blog.settings.title = 'Somebody was here'
  // what its owner changed is theirs, and said; with --again the plan is expected
  const theirs = await run(['confirm', demo, ...at])
  assert.deepEqual([theirs.exit, json(theirs, 'confirm').failed], [0, 0])
  assert.match(theirs.out, /title was changed since/)
  const changed = await run(['confirm', demo, ...at, '--again'])
  assert.equal(changed.exit, 1)
  assert.equal(json(changed, 'confirm').failed, 2)
  const text = await run(['confirm', demo, '--at', standIn.address, '--again=site'])
  assert.match(text.out, /✗ +the front page shows the title/)
})

test('no secret in any output, and the passphrase is not among the processes', long, async () => {
  const standIn = await stand()
  const ran = await run(['settle', demo, '--at', standIn.address, '--yes'])
  const password = standIn.blog.accounts[0]?.password ?? 'none'
  assert.ok(!`${ran.out}${ran.err}`.includes(password) && !`${ran.out}${ran.err}`.includes(PASSPHRASE))
  const shown = await run(['logins', 'show', standIn.address, 'marlow'])
  assert.equal(shown.out, `${password}\n`)
})

test('an error is one document too', long, async () => {
  const inUse = await stand('in-use')
  const nobody = await run(['settle', demo, '--at', inUse.address, '--yes', '--json'])
  assert.deepEqual(
    [nobody.exit, (json(nobody, 'error') as { error: { code: string } }).error.code],
    [4, 'login-missing'],
  )
  await run(['logins', 'add', inUse.address, 'boss'], { input: 'harbour-light-41\n' })
  cpSync(demoFolder, join(root, 'boss'), { recursive: true })
  const file = join(root, 'boss', 'baseline.yaml')
  writeFileSync(file, demoText.replace('username: marlow', 'username: boss'))
  const refused = await run(['settle', file, '--at', inUse.address, '--yes', '--json'])
  assert.deepEqual([refused.exit, (json(refused, 'error') as { error: { code: string } }).error.code], [3, 'in-use'])
  const wrong = await run(['settle', file, '--at', inUse.address, '--yes', '--json'], {
    env: { UNPACK_PASSPHRASE: 'high water' },
  })
  assert.deepEqual(
    [wrong.exit, (json(wrong, 'error') as { error: { code: string } }).error.code],
    [4, 'passphrase-wrong'],
  )
  const without = await run(['settle', file, '--at', inUse.address, '--yes', '--json'], {
    env: { UNPACK_PASSPHRASE: '' },
  })
  assert.deepEqual(
    [without.exit, (json(without, 'error') as { error: { code: string } }).error.code],
    [4, 'passphrase-missing'],
  )
  const lacking = await run(['settle', file, '--at', inUse.address, '--in-use', '--yes', '--json', '--no-confirm'])
  assert.equal(lacking.exit, 0, lacking.err)
})

test('Ctrl-C: exit 130, and the next run goes on', long, async () => {
  const standIn = await stand()
  const stopped = await run(['settle', demo, '--at', standIn.address, '--yes'], { abortAt: /settings: site/ })
  assert.equal(stopped.exit, 130, stopped.err)
  assert.match(stopped.err, /Stopped\. What was begun is in the journal/)
  const on = await run(['settle', demo, '--at', standIn.address, '--yes', '--json'])
  assert.equal(on.exit, 0, on.err)
})

test('a system from outside is registered like our own', long, async () => {
  const standIn = await stand()
  standIn.tamper = (_url, html) => html.replace('Stand-in blog 1.0', 'Boathouse 1.0')
  const module = join(root, 'boathouse.mjs')
  const adapter = join(project, 'dist/stand-ins/blog/adapter/index.js')
  writeFileSync(
    module,
    `import { standInBlogSystem as base } from '${adapter}'
export default { ...base, id: 'boathouse', async recognise(look) { const seen = await base.recognise({ ...look, front: { ...look.front, text: look.front.text.replace('Boathouse', 'Stand-in blog') } }); return seen && { ...seen, id: 'boathouse', name: 'Boathouse' } } }`,
  )
  const ran = await run(['settle', demo, '--at', standIn.address, '--yes', '--json', '--with', module])
  assert.equal(ran.exit, 0, ran.err + ran.out)
  writeFileSync(join(root, 'not-one.mjs'), 'export default { id: 1 }')
  const wrong = await run(['survey', standIn.address, '--with', join(root, 'not-one.mjs'), '--json'])
  assert.deepEqual(
    [wrong.exit, (json(wrong, 'error') as { error: { code: string } }).error.code],
    [2, 'system-unknown'],
  )
  // one that never comes does not end the command as if all were well
  writeFileSync(join(root, 'never.mjs'), 'await new Promise(() => undefined)\nexport default {}')
  const never = await run(['survey', standIn.address, '--with', join(root, 'never.mjs')])
  assert.equal(never.exit, 2)
  assert.match(never.err, /never\.mjs is not a system .*it was not loaded within 10 seconds/)
})

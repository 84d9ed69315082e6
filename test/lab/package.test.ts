import assert from 'node:assert/strict'
import { execFile } from 'node:child_process'
import { mkdirSync, readFileSync, readdirSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { test } from 'node:test'
import { promisify } from 'node:util'
import { folder } from '../help/folders.js'
import { root as project } from '../help/root.js'

const run = promisify(execFile)
const root = folder()

test('the packed tarball, installed into an empty folder: the demo, the core and the conformance suite work', async () => {
  await run('npm', ['pack', '--ignore-scripts', '--pack-destination', root], { cwd: project })
  const tarball = readdirSync(root).find((name) => name.endsWith('.tgz')) ?? ''
  const empty = join(root, 'empty')
  mkdirSync(empty)
  writeFileSync(join(empty, 'package.json'), '{ "name": "somebody", "private": true, "type": "module" }')
  await run('npm', ['install', '--omit=dev', '--prefer-offline', join(root, tarball)], { cwd: empty })
  const demo = await run(join(empty, 'node_modules/.bin/unpack'), ['demo'], {
    cwd: empty,
    env: { ...process.env, NO_COLOR: '1', NODE_OPTIONS: '' },
  })
  assert.match(demo.stdout, /checks, all passed/)
  writeFileSync(
    join(empty, 'use.js'),
    `import { mistakesIn } from 'unpack/core'
import { conformanceCases } from 'unpack/conformance'
import { abilitiesOf } from 'unpack/systems'
import { survey, settle, builtIn, baselineFile } from 'unpack'
const plan = baselineFile('node_modules/unpack/demo/repair-cafe/baseline.yaml')
console.log(abilitiesOf(builtIn[0], plan, {})('site', 'title'), mistakesIn('unpack: 2').length > 0, conformanceCases.length > 10, typeof survey, typeof settle, builtIn[0].id)`,
  )
  const used = await run(process.execPath, ['use.js'], { cwd: empty, env: { ...process.env, NODE_OPTIONS: '' } })
  assert.equal(used.stdout.trim(), 'can true true function function wordpress')
  // what the README shows runs as it stands there
  const [, sample = ''] = /```js\n([\s\S]*?)```/.exec(readFileSync(join(project, 'README.md'), 'utf8')) ?? []
  writeFileSync(join(empty, 'sample.js'), sample)
  const env = { ...process.env, NODE_OPTIONS: '', UNPACK_PASSPHRASE: 'low water', UNPACK_STATE: join(empty, 'state') }
  const shown = await run(process.execPath, ['sample.js'], { cwd: empty, env })
  assert.match(shown.stdout, /^first-run true 40 \[\] .*unpack-record/)
  // and its types are complete
  writeFileSync(
    join(empty, 'use.ts'),
    "import { survey, type Surveyed } from 'unpack'\nimport { judge } from 'unpack/core'\nimport type { ConformanceCase } from 'unpack/conformance'\nexport const look = async (address: string): Promise<Surveyed> => survey(address)\nexport const cases: ConformanceCase[] = []\nexport { judge }\n",
  )
  await run(
    process.execPath,
    [
      join(project, 'node_modules/typescript/bin/tsc'),
      '--noEmit',
      '--strict',
      '--module',
      'nodenext',
      '--target',
      'es2023',
      '--lib',
      'es2023,dom',
      '--skipLibCheck',
      'use.ts',
    ],
    { cwd: empty },
  )
})

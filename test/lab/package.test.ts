import assert from 'node:assert/strict'
import { execFile } from 'node:child_process'
import { existsSync, mkdirSync, readFileSync, readdirSync, writeFileSync } from 'node:fs'
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
  const installed = await run('npm', ['install', '--omit=dev', '--prefer-offline', join(root, tarball)], { cwd: empty })
  // npm's own settings on this machine are no concern of the package
  const warned = installed.stderr
    .split('\n')
    .filter((line) => /warn/i.test(line) && !/user config|env config/.test(line))
  assert.deepEqual(warned, [])
  assert.deepEqual(scriptsIn(join(empty, 'package-lock.json')), [])
  assert.deepEqual(deadLinks(join(empty, 'node_modules/unpack')), [])
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
  assert.match(shown.stdout, /^first-run true \d\d \[\] .*unpack-record/)
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

/** Packages that run something of their own while they are installed. */
function scriptsIn(lock: string): string[] {
  const { packages } = JSON.parse(readFileSync(lock, 'utf8')) as {
    packages: Record<string, { hasInstallScript?: true }>
  }
  return Object.entries(packages).flatMap(([name, { hasInstallScript }]) => (hasInstallScript ? [name] : []))
}

/** Links of the README, and of the pages it leads to, to what did not come along. */
function deadLinks(folder: string): string[] {
  const pages = [
    'README.md',
    ...readdirSync(join(folder, 'docs')).flatMap((name) => (name.endsWith('.md') ? [`docs/${name}`] : [])),
  ]
  return pages.flatMap((page) =>
    [...readFileSync(join(folder, page), 'utf8').matchAll(/\]\((?!https?:|#)([^)#\s]+)/g)].flatMap(([, to = '']) =>
      existsSync(join(folder, page, '..', to)) ? [] : [`${page}: ${to}`],
    ),
  )
}

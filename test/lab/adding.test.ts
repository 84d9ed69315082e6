import assert from 'node:assert/strict'
import { execFileSync } from 'node:child_process'
import { cpSync, existsSync, readFileSync, symlinkSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { test } from 'node:test'
import { folder } from '../help/folders.js'
import { root } from '../help/root.js'

/** The blocks of docs/adding-an-area.md: a file, and what it holds or what is changed in it. */
const blocks = [
  ...readFileSync(join(root, 'docs/adding-an-area.md'), 'utf8').matchAll(/^```ts (\S+)\n(.*?)^```$/gms),
].map(([, file = '', text = '']) => ({ file, text }))

/** Changes a file as a block says: lines behind a line, or a piece in place of another; each is there once. */
function changed(before: string, block: string): string {
  const parts = block.split(/^\/\/ (behind|instead of): (.*)\n/m).slice(1)
  let text = before
  for (let at = 0; at < parts.length; at += 3) {
    const [how, anchor = '', more = ''] = parts.slice(at)
    const known = how === 'behind' ? `${anchor}\n` : anchor
    // the first of its like: lists come before what is made of them
    const place = text.indexOf(how === 'behind' ? `\n${known}` : known)
    assert.ok(place >= 0, `“${anchor}” stands there`)
    const from = how === 'behind' ? place + 1 : place
    text = `${text.slice(0, from)}${how === 'behind' ? known + more : more.trimEnd()}${text.slice(from + known.length)}`
  }
  return text
}

const TRY = `
import assert from 'node:assert/strict'
import { confirm, settle } from 'unpack'
import { planned } from './test/help/plan.js'
import { runningStandIn } from './test/help/sites.js'
import { folder } from './test/help/folders.js'

const standIn = await runningStandIn(folder(), { standing: 'first-run' })
const pages = 'pages: [{ title: Visit, slug: visit }, { title: Rota, slug: rota }]\\nmotto: Mend it\\n'
const plan = (rest: string) => planned(standIn.address, pages + rest)
const options = standIn.options
const first = plan('badges: [{ name: Fair trade, slug: fair, on: visit }, { name: By bike, slug: bike, on: rota }]')
const done = await settle(first, options)
assert.deepEqual(done.failed, [])
for (const ref of ['motto', 'badges/fair', 'badges/bike']) assert.ok(done.settled.includes(ref), ref)
const seen = done.checks.filter(({ name }) => /motto|badge/.test(name))
assert.deepEqual(seen.map(({ outcome }) => outcome), ['passed', 'passed', 'passed'])
assert.equal((await settle(first, { ...options, confirm: false })).writes, 0)
const less = plan('badges: [{ name: Fair trade, slug: fair, on: rota }]\\ngone: { badges: [bike] }')
assert.deepEqual([...(await settle(less, { ...options, confirm: false })).settled].sort(), ['badges/bike', 'badges/fair'])
assert.equal((await confirm(less, options)).failed, 0)
await standIn.close()
process.stdout.write('settled')
`

test('docs/adding-an-area.md: a setting and a list are added as the page says, and settled', () => {
  const copy = folder()
  for (const name of ['src', 'stand-ins', 'demo', 'test', 'package.json', 'tsconfig.base.json', 'tsconfig.build.json'])
    cpSync(join(root, name), join(copy, name), { recursive: true })
  symlinkSync(join(root, 'node_modules'), join(copy, 'node_modules'))
  assert.ok(blocks.length > 15)
  for (const { file, text } of blocks) {
    const path = join(copy, file)
    writeFileSync(path, existsSync(path) ? changed(readFileSync(path, 'utf8'), text) : text)
  }
  writeFileSync(join(copy, 'try.ts'), TRY)
  const include = ['src', 'stand-ins', 'test/help', 'try.ts']
  writeFileSync(join(copy, 'tsconfig.json'), JSON.stringify({ extends: './tsconfig.build.json', include }))
  const node = (...args: string[]) => execFileSync(process.execPath, args, { cwd: copy, encoding: 'utf8' })
  node(join(root, 'node_modules/typescript/bin/tsc'), '-p', 'tsconfig.json')
  assert.match(node('dist/try.js'), /^settled/)
})

import assert from 'node:assert/strict'
import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { test } from 'node:test'
import { runInThisContext } from 'node:vm'
import * as unpack from 'unpack'
import { reference } from '../../scripts/reference.js'
import { long } from '../help/long.js'
import { root } from '../help/root.js'

const folder = join(root, 'docs/reference')

test('docs/reference is what the code’s comments say now; every function has an example', long, async () => {
  const files = await reference()
  const there = readdirSync(folder, { recursive: true, encoding: 'utf8' }).filter((file) => file.endsWith('.md'))
  assert.deepEqual(there.sort(), Object.keys(files), 'npm run docs')
  for (const [file, text] of Object.entries(files)) {
    assert.ok(readFileSync(join(folder, file), 'utf8') === text, `${file} is stale: npm run docs`)
    const [, functions = ''] = /^## Functions\n([\s\S]*?)(?=^## )/m.exec(text) ?? []
    for (const part of functions.split(/^(?=### )/m).filter((one) => one.startsWith('### '))) {
      const [, name = ''] = /^### (.*)/.exec(part) ?? []
      assert.match(part, /^#+ Examples?$/m, name)
    }
  }
})

/** What a line of code gives, as JSON; nothing where it needs what is not here. */
function given(line: string): string | undefined {
  try {
    const call = runInThisContext(`({ ${Object.keys(unpack).join(', ')} }) => (${line})`) as (
      all: typeof unpack,
    ) => unknown
    return JSON.stringify(call(unpack))
  } catch {
    return undefined
  }
}

test('what an example says that a call gives, it gives', () => {
  const text = readFileSync(join(folder, 'unpack.md'), 'utf8')
  const examples = [...text.matchAll(/^#+ Example\n\n```ts\n(.+?) \/\/ (.+)\n```/gm)].filter(
    ([, call = '']) => !call.includes('await '),
  )
  const tried = examples.flatMap(([, call = '', says = '']) => {
    const value = given(says)
    return value === undefined ? [] : [{ call, value, gives: given(call) }]
  })
  assert.ok(tried.length >= 50, `${tried.length} examples`)
  for (const { call, value, gives } of tried) assert.equal(gives, value, call)
})

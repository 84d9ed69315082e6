import assert from 'node:assert/strict'
import { readFileSync } from 'node:fs'
import { test } from 'node:test'
import { schemas } from '../../src/cli/schemas.js'
import { provenTable } from '../../scripts/proven-table.js'
import { unpack } from '../help/cli.js'
import { root } from '../help/root.js'

test('docs/schemas holds what the commands print', async () => {
  for (const [name, schema] of Object.entries(schemas))
    assert.deepEqual(
      JSON.parse(readFileSync(`${root}/docs/schemas/${name}.schema.json`, 'utf8')),
      JSON.parse(JSON.stringify(schema())),
      `${name}: npm run docs`,
    )
  const printed = await unpack(['schema'])
  assert.deepEqual(
    JSON.parse(printed.out),
    JSON.parse(readFileSync(`${root}/docs/schemas/baseline.schema.json`, 'utf8')),
  )
})

test('every key of the baseline is described, in the schema and in docs/baseline.md', () => {
  const text = readFileSync(`${root}/docs/baseline.md`, 'utf8')
  interface Node {
    properties?: Record<string, Node>
    items?: Node
    anyOf?: Node[]
    description?: string
  }
  const walk = (node: Node, path: string): void => {
    for (const [key, inner] of Object.entries(node.properties ?? {})) {
      assert.ok(inner.description, `${path}${key} has no description`)
      assert.ok(text.includes(`\`${key}\``), `docs/baseline.md does not tell of ${path}${key}`)
      walk(inner, `${path}${key}.`)
    }
    for (const inner of [node.items ?? {}, ...(node.anyOf ?? [])]) if (Object.keys(inner).length > 0) walk(inner, path)
  }
  walk(schemas.baseline(), '')
})

test('the README’s table is made from the cases that passed', () => {
  assert.ok(
    readFileSync(`${root}/README.md`, 'utf8').includes(`<!-- proven -->\n${provenTable(root)}<!-- /proven -->`),
    'npm run docs',
  )
})

import assert from 'node:assert/strict'
import { appendFileSync, cpSync } from 'node:fs'
import { join } from 'node:path'
import { test } from 'node:test'
import { long } from '../help/long.js'
import { cliLab } from '../help/cli-lab.js'
import { root } from '../help/root.js'

const { run, root: folder } = cliLab()

test('the demo of a shop runs by itself and ends as planned', long, async () => {
  const ran = await run(['demo', 'shop'])
  assert.equal(ran.exit, 0, ran.out)
  assert.match(ran.out, /currency: “USD” → “GBP”/)
  assert.match(ran.out, /goes +the product “A sample mug”: it shipped/)
  assert.match(ran.out, /\d\d checks, all passed\./)
})

test('a stand-in shop has no placeholder, and says so', async () => {
  const ran = await run(['stand-in', 'shop', '--standing', 'placeholder'])
  assert.equal(ran.exit, 2)
  assert.match(ran.err, /its set-up waits from the start/)
})

test('mistakes of a table beside the baseline are told with table, line and cell', async () => {
  const world = join(folder, 'seeds')
  cpSync(join(root, 'demo/saltmarsh-seed-library'), world, { recursive: true })
  appendFileSync(join(world, 'files/products.csv'), 'SQ-0001,Twice,twice,beans,1.005,,,lots,,,,,,\n')
  const ran = await run(['compare', join(world, 'baseline.yaml')])
  assert.equal(ran.exit, 2, ran.err)
  const told = ran.err.replace(/\s+/g, ' ')
  assert.match(told, /products\.csv:12:1: products\[10\]\.sku: the same SKU stands at products\[0\] already/)
  assert.match(told, /products\.csv:12:5: products\[10\]\.price: this sum is finer than the currency/)
  assert.match(told, /products\.csv:12:8: products\[10\]\.stock: a text stands here\. Expected: a whole number/)
})

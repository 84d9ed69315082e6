import assert from 'node:assert/strict'
import { test } from 'node:test'
import { long } from '../help/long.js'
import { cliLab } from '../help/cli-lab.js'

const { run } = cliLab()

test('the demo of a content site runs by itself and ends as planned', long, async () => {
  const ran = await run(['demo', 'content'])
  assert.equal(ran.exit, 0, ran.out)
  assert.match(ran.out, /first-run: a system waits for its first-run form/)
  assert.match(ran.out, /rota +nothing +nothing +read +read/)
  assert.match(ran.out, /\d\d checks, all passed\./)
})

test('a stand-in content site has no placeholder, and says so', async () => {
  const ran = await run(['stand-in', 'content', '--standing', 'placeholder'])
  assert.equal(ran.exit, 2)
  assert.match(ran.err, /its server is there from the start/)
})

import assert from 'node:assert/strict'
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { after, test } from 'node:test'
import { readBaseline, settle } from 'unpack'
import { folder } from '../help/folders.js'
import { runningForum } from '../help/forum.js'
import { root } from '../help/root.js'
import { runningStandIn } from '../help/sites.js'

const own = folder()
const open: { close(): Promise<unknown> }[] = []
after(() => Promise.all(open.map((one) => one.close())))

const text = readFileSync(join(root, 'docs/baseline.md'), 'utf8')
const [blog = '', forum = ''] = [...text.matchAll(/```yaml\n(unpack: 1\n[\s\S]*?)```/g)].map(([, file]) => file ?? '')
const at = (file: string, address: string) => readBaseline(file.replace(/address: .*/, `address: ${address}`)).baseline

test('the small blog at the top of docs/baseline.md settles as it stands there', async () => {
  const site = await runningStandIn(own, { standing: 'first-run' })
  open.push(site)
  const done = await settle(at(blog, site.address), site.options)
  assert.deepEqual([done.failed, done.checks.filter(({ outcome }) => outcome === 'failed')], [[], []])
  assert.equal((await settle(at(blog, site.address), site.options)).writes, 0)
})

test('the small forum at the top of docs/baseline.md settles as it stands there', async () => {
  const site = await runningForum(own, (one) => open.push(one))
  const plan = at(forum.replace('signInAs: host', 'signInAs: boss'), site.address)
  const done = await settle(plan, site.options)
  assert.deepEqual([done.failed, done.checks.filter(({ outcome }) => outcome === 'failed')], [[], []])
  assert.equal((await settle(plan, site.options)).writes, 0)
})

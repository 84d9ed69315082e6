import assert from 'node:assert/strict'
import { test } from 'node:test'
import { settle, UnpackError } from 'unpack'
import { startStandIn } from 'unpack/stand-ins'
import { long } from '../help/long.js'
import { smallBaseline } from '../help/demo.js'
import { folder } from '../help/folders.js'
import { ownFolders } from '../help/sites.js'

const root = folder()

test('a stand-in with its adapter in one call; without anybody to choose, nothing is removed', long, async () => {
  const { address, system, site, close } = await startStandIn('blog')
  const { choose, ...folders } = await ownFolders(root)
  const options = { ...folders, systems: [system], confirm: false }
  const plan = smallBaseline(address)
  const done = await settle(plan, options)
  assert.deepEqual(done.failed, [])
  assert.ok(done.settled.includes('pages/visit'))
  assert.ok(done.open.length > 0 && done.open.every(({ is }) => is === 'left over'))
  assert.ok(site.blog.posts.some(({ slug }) => slug === 'a-first-post'))
  // with everything chosen, they go
  const all = await settle(plan, { ...options, choose })
  assert.deepEqual([all.open, all.failed], [[], []])
  assert.ok(!site.blog.posts.some(({ slug }) => slug === 'a-first-post'))
  await close()
})

test('a forum is set up from the beginning', async () => {
  const { address, site, close } = await startStandIn('forum', { owner: { username: 'boss', password: 'harbour-41' } })
  assert.equal((await fetch(address)).status, 200)
  assert.equal(site.board.accounts[0]?.username, 'boss')
  await close()
})

test('an abort keeps its reason', async () => {
  const { address, system, close } = await startStandIn('blog')
  for (const when of ['survey', 'carry'] as const) {
    const stop = new AbortController()
    const reason = new Error(`the cook calls at ${when}`)
    const run = settle(smallBaseline(address), {
      ...(await ownFolders(root)),
      systems: [system],
      signal: stop.signal,
      on: (event) => {
        if (when === 'survey' || event.is === 'carried') stop.abort(reason)
      },
    })
    await assert.rejects(run, (error: unknown) => {
      assert.ok(error instanceof UnpackError)
      assert.deepEqual([error.code, error.cause], ['stopped', reason])
      return true
    })
  }
  await close()
})

import assert from 'node:assert/strict'
import { writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { after, test } from 'node:test'
import { startStandIn } from 'unpack/stand-ins'
import { folder } from '../help/folders.js'
import { PASSPHRASE } from '../help/sites.js'
import { atTerminal } from '../help/terminal.js'

const root = folder()
const open: { close(): Promise<unknown> }[] = []
after(() => Promise.all(open.map((one) => one.close())))

/** A blog of a version that ships what nobody knows yet, and the command line for it. */
async function laterBlog(name: string) {
  const started = await startStandIn('blog', { standing: 'first-run', version: '1.4' })
  open.push(started)
  const file = join(root, `${name}.yaml`)
  writeFileSync(
    file,
    `unpack: 1
site: { address: "${started.address}", kind: blog, title: Tidepool }
owner: { username: marlow, email: marlow@quay.example, password: made }
shipped: remove
pages: [{ title: A, slug: a }]
`,
  )
  const env = {
    UNPACK_LOGINS: join(root, name, 'logins.json'),
    UNPACK_STATE: join(root, name, 'state'),
    UNPACK_PASSPHRASE: PASSPHRASE,
  }
  const settle = (...answers: [RegExp, string][]) =>
    atTerminal(['settle', file, '--record', join(root, name, 'records')], answers, env)
  return { blog: started.site.blog, settle }
}
const all: [RegExp, string] = [/Settle these \d+ differences\?/, 'yes']
const early = /These came with it too, as far as can be seen\. Remove them as well\?/

test('what came in the first minutes is asked about at a terminal, apart and once; no keeps it', async () => {
  const { blog, settle } = await laterBlog('kept')
  const first = await settle(all, [early, 'no'])
  assert.equal(first.exit, 0, first.screen)
  assert.match(first.screen, /came in the site’s first minutes[\s\S]*First steps[\s\S]*Remove them as well\?/)
  assert.deepEqual(
    [blog.posts.map(({ slug }) => slug), blog.pages.map(({ slug }) => slug)],
    [['a-first-post'], ['first-steps', 'a']],
  )
  const second = await settle()
  assert.equal(second.exit, 0, second.screen)
  assert.doesNotMatch(second.screen, /Remove them as well/)
})

test('a yes to the differences is none to what came in the first minutes; a yes of its own removes it', async () => {
  const { blog, settle } = await laterBlog('gone')
  const { exit, screen } = await settle(all, [early, 'yes'])
  assert.equal(exit, 0, screen)
  assert.deepEqual([blog.posts, blog.pages.map(({ slug }) => slug)], [[], ['a']])
})

import assert from 'node:assert/strict'
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { after, test } from 'node:test'
import { compareSite, confirm, settle, Secret, type Files } from 'unpack'
import type { StandInOptions } from '../../stand-ins/blog/server/index.js'
import { folder } from '../help/folders.js'
import { planned } from '../help/plan.js'
import { root as project } from '../help/root.js'
import { runningStandIn, writesAt, type RunningStandIn } from '../help/sites.js'

const root = folder()
const open: RunningStandIn[] = []
after(() => Promise.all(open.map((standIn) => standIn.close())))
const stand = async (options: Partial<StandInOptions> = {}): Promise<RunningStandIn> => {
  const standIn = await runningStandIn(root, { standing: 'first-run', ...options })
  open.push(standIn)
  return standIn
}
const run = async (standIn: RunningStandIn, rest: string, files: Files = {}) => {
  const done = await settle(planned(standIn.address, rest, files), standIn.options)
  assert.deepEqual([done.failed, done.checks.filter(({ outcome }) => outcome === 'failed')], [[], []])
  return done
}
const picture = new Uint8Array(readFileSync(join(project, 'demo/repair-cafe/files/lantern.png')))

test('samples: made through the forms, again adds nothing, none takes away what nobody touched', async () => {
  const standIn = await stand()
  const files = {
    'samples/quay.xml': readFileSync(join(project, 'test/help/sample.xml'), 'utf8'),
    'samples/pier.png': picture,
  }
  await run(standIn, 'samples: samples/quay.xml', files)
  const slugs = (all: readonly { slug: string }[]) => all.map(({ slug }) => slug)
  assert.deepEqual(slugs(standIn.blog.posts), ['a-first-post', 'first-tide', 'second-tide'])
  assert.deepEqual(slugs(standIn.blog.pages).slice(2), ['harbour', 'harbour-master'])
  const tide = standIn.blog.posts[1]
  assert.deepEqual([tide?.date, tide?.categories.length, tide?.tags.length], ['2025-04-01T09:30', 1, 2])
  assert.match(tide?.body ?? '', /<img[^>]+src="\/files\/pier-[0-9a-f]{8}\.png"/)
  assert.equal((await settle(planned(standIn.address, 'samples: samples/quay.xml', files), standIn.options)).writes, 0)
  // one of them is somebody's since they edited it
  const page = standIn.blog.pages.find(({ slug }) => slug === 'harbour')
  Object.assign(page ?? {}, { body: '<p>Our own harbour.</p>' })
  const none = await settle(planned(standIn.address, 'samples: none'), { ...standIn.options, inUse: true })
  assert.deepEqual(none.failed, [])
  assert.deepEqual(slugs(standIn.blog.posts), ['a-first-post'])
  assert.ok(slugs(standIn.blog.pages).includes('harbour') && !slugs(standIn.blog.pages).includes('harbour-master'))
  assert.deepEqual([standIn.blog.tags, standIn.blog.uploads], [[], []])
})

test('files go there once, known by their content, whatever they are called here', async () => {
  const standIn = await stand()
  const pages = (name: string) => ({ 'a.md': `![A lantern](${name})`, [name]: picture })
  await run(standIn, 'pages: [{ title: A, slug: a, body: a.md }]', pages('one.png'))
  assert.equal(standIn.blog.uploads.length, 1)
  await run(standIn, 'pages: [{ title: A, slug: a, body: a.md }]', pages('one.png'))
  assert.equal(standIn.blog.uploads.length, 1)
  assert.match(standIn.blog.pages.find(({ slug }) => slug === 'a')?.body ?? '', /src="\/files\/one-[0-9a-f]{8}\.png"/)
})

test('somebody’s own page with the slug of a planned one: told, and no second one is made', async () => {
  const standIn = await stand({ standing: 'in-use', owner: { username: 'marlow', password: 'harbour-light-41' } })
  await standIn.options.logins.put(standIn.address, 'marlow', new Secret('harbour-light-41'))
  const plan = planned(
    standIn.address,
    'gone: { posts: [low-tide], uploads: [periwinkle] }\npages: [{ title: Our boat, slug: our-boat, body: b.md }]',
    {
      'b.md': 'Another text.',
    },
  )
  const { comparison } = await compareSite(plan, standIn.options)
  assert.match(comparison.byHand.map(({ ref, text }) => `${ref}: ${text}`).join(), /pages\/our-boat: .*somebody/)
  await settle(plan, { ...standIn.options, confirm: false })
  assert.equal(standIn.blog.pages.filter(({ slug }) => slug.startsWith('our-boat')).length, 1)
  assert.match(standIn.blog.pages.find(({ slug }) => slug === 'our-boat')?.body ?? '', /Periwinkle/)
})

test('confirm --try: a visitor’s comment is handled as planned, leaves no trace, and is refused on a site in use', async () => {
  const standIn = await stand()
  const post = 'posts: [{ title: Tide, slug: tide, date: 2026-03-05T14:07 }]\nshipped: remove\n'
  const rules = (text: string) =>
    planned(standIn.address, `${post}publishing: { postAddress: "/{year}/{slug}/" }\ncomments: ${text}`)
  const tried = async (text: string) => {
    await settle(rules(text), { ...standIn.options, confirm: false })
    const { checks } = await confirm(rules(text), { ...standIn.options, try: true })
    assert.deepEqual(standIn.blog.comments, [])
    return checks
      .filter(({ name }) => /^(?:a visitor’s |a )comment|^an old address/.test(name))
      .map(({ name, outcome }) => `${outcome === 'passed' ? '✓' : '✗'} ${name}`)
  }
  const leads = '✓ an old address of a post leads on to its new one'
  assert.deepEqual(await tried('{ allowed: true, approve: all }'), [leads, '✓ a visitor’s comment waits for the owner'])
  assert.deepEqual(await tried('{ approve: none, linksBeforeApproval: 1 }'), [
    leads,
    '✓ a visitor’s comment is shown at once',
    '✓ a comment with 2 links waits for the owner',
  ])
  // the setting says so, and the site does otherwise
  const before = writesAt(standIn)
  await confirm(rules('{ approve: none }'), standIn.options)
  assert.equal(writesAt(standIn), before)
  const [own] = standIn.blog.posts
  if (own) own.open = false
  const { checks } = await confirm(rules('{ approve: all }'), { ...standIn.options, try: true })
  assert.equal(checks.find(({ name }) => name.startsWith('a visitor’s comment'))?.detail, 'it was not taken')
  standIn.blog.tags.push({ id: 900, name: 'mine', slug: 'mine' })
  await assert.rejects(confirm(rules('{ approve: all }'), { ...standIn.options, try: true }), {
    code: 'trial-in-use',
    exit: 3,
  })
})

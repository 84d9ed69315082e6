import assert from 'node:assert/strict'
import { appendFileSync, readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { after, test } from 'node:test'
import { settle, undo } from 'unpack'
import { RecordFolder } from '../../src/engine/record.js'
import { readJournal } from '../../src/engine/record-reading.js'
import { long } from '../help/long.js'
import { folder } from '../help/folders.js'
import { planned } from '../help/plan.js'
import { runningStandIn } from '../help/sites.js'

const root = folder()
const open: { close(): Promise<unknown> }[] = []
after(() => Promise.all(open.map((one) => one.close())))
const later = '2027-03-05T14:07:00.000Z'

test('each copy has a name of its own: refs that read alike, a path that is longer than a file’s name may be', () => {
  const record = RecordFolder.open({ origin: 'http://127.0.0.1:4101', base: '/' }, join(root, 'names'))
  const refs = ['posts/low-tide', 'posts/low_tide', 'posts/low tide', `posts/${'ü'.repeat(400)}`]
  const names = refs.map((ref) => record.keepCopy(ref, { copy: ref }))
  assert.equal(new Set(names).size, refs.length)
  for (const [index, name] of names.entries())
    assert.equal((JSON.parse(readFileSync(join(record.folder, name), 'utf8')) as { ref: string }).ref, refs[index])
})

test(
  'everything of a blog that goes is given back as it was, compared by every field of its editing screen; uploads by their bytes',
  long,
  async () => {
    const site = await runningStandIn(root, { standing: 'first-run' })
    open.push(site)
    const own = { ...site.options, confirm: false }
    await settle(planned(site.address), own)
    const { blog } = site
    const by = blog.accounts[0]?.id ?? 1
    const [boats, oars, pier, low] = [blog.next++, blog.next++, blog.next++, blog.next++]
    blog.categories.push({ id: boats, name: 'Boats & nets', slug: 'boats', description: 'What "floats"', parent: 0 })
    blog.categories.push({ id: oars, name: 'Oars', slug: 'oars', description: '', parent: boats })
    blog.tags.push({ id: blog.next++, name: 'Brass', slug: 'brass' })
    const entry = { by, made: later, edited: later }
    blog.pages.push({
      ...entry,
      id: pier,
      title: 'Pier',
      slug: 'pier',
      body: '<p>Here.</p>',
      state: 'published',
      parent: 0,
      order: 4,
    })
    blog.pages.push({
      ...entry,
      id: blog.next++,
      title: 'Steps',
      slug: 'steps',
      body: '<p>Mind <em>them</em>.</p>',
      state: 'draft',
      parent: pier,
      order: 2,
    })
    blog.posts.push({
      ...{
        ...entry,
        id: low,
        title: 'Low “tide”',
        slug: 'low-tide',
        body: '<p>Bring <a href="https://pier.example/">boots</a>.</p>',
      },
      ...{
        state: 'published',
        categories: [boats, oars],
        tags: [blog.tags[0]?.id ?? 0],
        date: '2026-03-05T14:07',
        open: true,
      },
    })
    blog.uploads.push({
      id: blog.next++,
      name: 'chart.pdf',
      type: 'application/pdf',
      bytes: Buffer.from(Array.from({ length: 5000 }, (_, at) => (at * 31) % 256)),
    })
    blog.menus.main = [
      { kind: 'page', to: String(pier), label: 'To the pier' },
      { kind: 'link', to: 'https://pier.example/', label: 'Elsewhere' },
    ]
    const state = () => {
      const slugOf = (all: readonly { id: number; slug: string }[], id: number) =>
        all.find((one) => one.id === id)?.slug
      const sorted = <T extends { slug: string }>(list: T[]) => list.sort((a, b) => a.slug.localeCompare(b.slug))
      return {
        pages: sorted(
          blog.pages.map(({ title, slug, body, state: now, parent, order }) => ({
            title,
            slug,
            body,
            now,
            order,
            parent: slugOf(blog.pages, parent),
          })),
        ),
        posts: sorted(
          blog.posts.map(({ title, slug, body, state: now, categories, tags, date }) => ({
            title,
            slug,
            body,
            now,
            date,
            categories: categories.map((id) => slugOf(blog.categories, id)),
            tags: tags.map((id) => slugOf(blog.tags, id)),
          })),
        ),
        categories: sorted(
          blog.categories.map(({ name, slug, description, parent }) => ({
            name,
            slug,
            description,
            parent: slugOf(blog.categories, parent),
          })),
        ),
        tags: blog.tags.map(({ name, slug }) => ({ name, slug })),
        uploads: blog.uploads.map(({ name, type, bytes }) => ({ name, type, bytes: bytes.toString('hex') })),
        menus: blog.menus.main?.map(({ kind, to, label }) => [
          kind,
          kind === 'page' ? slugOf(blog.pages, Number(to)) : to,
          label,
        ]),
      }
    }
    const before = state()
    const plan = planned(
      site.address,
      'gone: { posts: [low-tide], pages: [pier, steps], categories: [boats, oars], tags: [brass], menus: [main], uploads: [chart] }',
    )
    const done = await settle(plan, { ...own, inUse: true })
    assert.deepEqual(done.failed, [])
    assert.ok(!JSON.stringify(state()).includes('Pier'))
    const { failed, again } = await undo(planned(site.address), done.record ?? '', own)
    assert.deepEqual(failed, [])
    assert.equal(again.length, 8)
    assert.deepEqual(state(), before)
    // once is enough, and what the record has no copy of is said
    const twice = await undo(planned(site.address), done.record ?? '', {
      ...own,
      refs: ['pages/pier', 'pages/nowhere'],
    })
    assert.deepEqual(
      twice.failed.map(({ ref, why }) => [ref, /already|no copy/.test(why)]),
      [
        ['pages/nowhere', true],
        ['pages/pier', true],
      ],
    )
  },
)

test('a comment keeps its post; where both shipped, both go and both are given back', async () => {
  const site = await runningStandIn(root, { standing: 'first-run' })
  open.push(site)
  const own = { ...site.options, confirm: false }
  const removing = (more = '') => planned(site.address, `shipped: remove\n${more}`)
  await settle(planned(site.address), own)
  const text = site.blog.comments[0]?.text
  const done = await settle(removing(), own)
  assert.deepEqual([site.blog.posts.length, site.blog.comments.length], [0, 0])
  const back = await undo(planned(site.address), done.record ?? '', own)
  assert.ok(back.again.includes('posts/a-first-post') && back.again.includes('comments/1'), JSON.stringify(back))
  assert.equal(site.blog.comments[0]?.text, text)
  site.blog.comments.push({
    id: 99,
    post: site.blog.posts[0]?.id ?? 0,
    by: 'Limpet',
    text: 'Lovely!',
    made: later,
    state: 'shown',
  })
  const kept = await settle(removing('gone: { posts: [a-first-post] }'), { ...own, inUse: true })
  assert.match(kept.comparison.kept.map(({ text: why }) => why).join(), /holds comment \d+ on/)
  assert.ok(site.blog.comments.some(({ text: one }) => one === 'Lovely!'))
})

test('of themes and add-ons only name and version are kept: that is said before they go, and undo says it too', async () => {
  const site = await runningStandIn(root, { standing: 'first-run' })
  open.push(site)
  const own = { ...site.options, confirm: false }
  const said: string[] = []
  const done = await settle(planned(site.address, 'shipped: remove'), {
    ...own,
    choose: ({ differences }) => {
      for (const one of differences) if (one.is === 'left over') said.push(`${one.ref}: ${one.because}`)
      return differences
    },
  })
  assert.match(said.join('\n'), /theme\/plainer: .*can't be given back/)
  assert.match(said.join('\n'), /addOns\/smileys: .*can't be given back/)
  const { failed } = await undo(planned(site.address), done.record ?? '', { ...own, refs: ['theme/plainer'] })
  assert.match(failed[0]?.why ?? '', /can’t be given back/)
})

test('undo goes on where a journal’s last line was cut, and stops at any other that can’t be read', async () => {
  const record = RecordFolder.open({ origin: 'http://127.0.0.1:4101', base: '/' }, join(root, 'cut'))
  record.journal({ event: 'opened' })
  const file = join(record.folder, 'journal.jsonl')
  appendFileSync(file, '{"journal": 1, "at": "2026-')
  assert.equal(readJournal(record.folder).length, 1)
  appendFileSync(file, '\n')
  assert.throws(() => readJournal(record.folder), { code: 'record-broken' })
  assert.ok(readdirSync(record.folder).includes('journal.jsonl'))
})

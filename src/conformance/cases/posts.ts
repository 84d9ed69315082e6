import assert from 'node:assert/strict'
import type { ConformanceCase } from '../case.js'
import { signs } from '../plans.js'
import { readdirSync, statSync } from 'node:fs'
import { join } from 'node:path'
import { undo } from '../../engine/undo.js'

const item = (type: string, id: number, title: string, text: string, more = '') =>
  `<item><title>${title}</title><content:encoded><![CDATA[${text}]]></content:encoded><x:post_id>${id}</x:post_id><x:post_name>${title.toLowerCase()}</x:post_name><x:status>publish</x:status><x:post_type>${type}</x:post_type>${more}</item>`
const sample = `<?xml version="1.0"?><rss version="2.0" xmlns:content="http://purl.org/rss/1.0/modules/content/" xmlns:x="http://export.example/"><channel>
<x:category><x:category_nicename>shore</x:category_nicename><x:cat_name>Shore</x:cat_name></x:category>
${item('post', 1, 'Limpet', '<p>It holds &amp; holds.</p>', '<x:post_date>2025-04-01 09:30:00</x:post_date><category domain="category" nicename="shore">Shore</category><category domain="post_tag" nicename="shell">Shell</category>')}
${item('page', 2, 'Rocks', '<p>They are grey.</p>')}
${item('page', 3, 'Pools', '<p>Look, do not take.</p>', '<x:post_parent>2</x:post_parent>')}
</channel></rss>`

const categories = [
  { name: 'Sightings', slug: 'sightings' },
  { name: 'Rock & sand', slug: 'rock' },
]
const files = { 'kelp.md': 'Kelp, *at last*.\n', 'other.md': 'No kelp at all.\n' }
const kelp = { title: 'Kelp & co', slug: 'kelp', body: 'kelp.md' }

export const postsCases: readonly ConformanceCase[] = [
  {
    name: 'posts that come where a page stands at the place at which a system may keep them all: both are there',
    area: 'posts',
    needs: ['posts.title', 'posts.body', 'pages.title', 'pages.slug', 'pages.body'],
    async run(site) {
      const pages = [{ title: 'Latest', slug: 'news', body: 'other.md' }]
      await site.settledForGood(site.baseline({ pages, files }))
      const both = site.baseline({ pages, posts: [kelp], files })
      assert.deepEqual((await site.settledForGood(both)).settled, ['posts/kelp'])
      await site.confirmed(both)
    },
  },
  {
    name: 'sample content is made through the interface, once, and goes again where nobody touched it',
    area: 'posts',
    needs: ['posts.categories', 'posts.tags', 'posts.date', 'pages.parent'],
    async run(site) {
      const plan = site.baseline({ samples: 'sample.xml', files: { 'sample.xml': sample } })
      const { settled } = await site.settledForGood(plan)
      assert.deepEqual([...settled].filter((ref) => ref.includes('/')).sort(), [
        'categories/shore',
        'pages/rocks',
        'pages/rocks/pools',
        'posts/limpet',
        'tags/shell',
      ])
      await site.confirmed(plan)
      // one of them is the owner's since they wrote into it
      const theirs = site.baseline({
        samples: 'sample.xml',
        files: { 'sample.xml': sample.replace('They are grey', 'They are blue') },
      })
      await site.settled(theirs, { state: `${site.provided.state}-theirs`, again: true })
      const none = await site.settled(site.baseline({ samples: 'none' }), { inUse: true })
      assert.deepEqual([...none.settled].sort(), [
        'categories/shore',
        'pages/rocks/pools',
        'posts/limpet',
        'tags/shell',
      ])
      assert.ok(none.comparison.kept.some(({ ref }) => ref === 'pages/rocks'))
    },
  },
  {
    name: 'what shipped goes, each copied into the record first, and what is needed stays',
    area: 'posts',
    needs: ['shipped-posts'],
    async run(site) {
      const baseline = site.baseline({ shipped: 'remove' })
      const { settled, record, comparison } = await site.settled(baseline)
      assert.ok(settled.some((ref) => ref.startsWith('posts/')) && settled.some((ref) => ref.startsWith('comments/')))
      assert.equal(settled.filter((ref) => ref.startsWith('pages/')).length, 2)
      const copies = readdirSync(join(record ?? '', 'removed'))
      assert.ok(copies.length >= 3, copies.join())
      assert.equal(statSync(record ?? '').mode & 0o777, 0o700)
      assert.ok(
        comparison.kept.some(({ ref }) => ref.startsWith('categories/')),
        'the default category is needed',
      )
      assert.equal((await site.settle(baseline)).writes, 0)
    },
  },
  {
    name: 'shipped: keep leaves all of it',
    area: 'posts',
    needs: ['shipped-posts'],
    async run(site) {
      const { comparison } = await site.settled(site.baseline({ shipped: 'keep' }))
      assert.ok(comparison.differences.every(({ is }) => is !== 'left over'))
    },
  },
  {
    name: 'a removed post is made again from its copy',
    area: 'posts',
    needs: ['shipped-posts'],
    async run(site) {
      const { record = '', settled } = await site.settled(site.baseline({ shipped: 'remove' }))
      const post = settled.find((ref) => ref.startsWith('posts/')) ?? ''
      const kept = site.baseline({ shipped: { posts: 'keep' } })
      const { again, failed } = await undo(kept, record, { ...site.options, refs: [post] })
      assert.deepEqual({ again, failed }, { again: [post], failed: [] })
      // it is there again, under its old name; a second time there is nothing to do
      const twice = await undo(kept, record, { ...site.options, refs: [post] })
      assert.deepEqual(twice.again, [])
    },
  },
  {
    name: 'posts with categories, tags, state and date; changed, and renamed',
    area: 'posts',
    needs: ['posts.categories', 'posts.tags', 'posts.state', 'posts.date', 'tags.name'],
    async run(site) {
      const plan = (...posts: object[]) =>
        site.baseline({ categories, posts, files, site: { timezone: 'Europe/Vienna' } })
      const first = plan(
        { ...kelp, categories: ['sightings', 'rock'], tags: ['Brown', 'It’s big'], date: '2026-03-05T14:07' },
        { title: 'Draft', slug: 'draft', state: 'draft' },
      )
      await site.settledForGood(first)
      const checks = await site.confirmed(first)
      assert.ok(
        checks.some(({ name, outcome }) => name === 'the post “Kelp & co” shows its text' && outcome === 'passed'),
      )
      const second = plan(
        { ...kelp, categories: ['rock'], tags: ['Brown'], date: '2025-12-31T23:59' },
        { title: 'Draft', slug: 'draft', state: 'published' },
      )
      const { settled } = await site.settledForGood(second, { inUse: true })
      assert.deepEqual([...settled].sort(), ['posts/draft', 'posts/kelp'])
      const renamed = plan({ ...kelp, slug: 'seaweed', was: 'kelp', categories: ['rock'] })
      assert.deepEqual((await site.settledForGood(renamed, { inUse: true })).settled, ['posts/seaweed'])
    },
  },
  {
    name: 'a post’s text is the owner’s once they changed it, and a post goes when the file says so',
    area: 'posts',
    needs: ['posts.body'],
    async run(site) {
      const plan = site.baseline({ posts: [kelp], files })
      await site.settledForGood(plan)
      const theirs = site.baseline({ posts: [{ ...kelp, body: 'other.md' }], files })
      await site.settled(theirs, { state: `${site.provided.state}-theirs`, again: true })
      const kept = await site.settle(plan)
      assert.deepEqual(
        [kept.writes, kept.comparison.kept.map(({ ref }) => ref).filter((ref) => ref === 'posts/kelp')],
        [0, ['posts/kelp']],
      )
      await site.settledForGood(site.baseline({ gone: { posts: ['kelp'] } }))
    },
  },
  {
    name: 'titles and tags of posts are text: what looks like tags or entities reaches visitors as it is written',
    area: 'posts',
    needs: ['posts.title', 'posts.tags'],
    async run(site) {
      const plan = site.baseline({ posts: [{ title: signs, slug: 'signs', tags: ['Salt & <rope>'] }] })
      await site.settledForGood(plan)
      await site.seen(plan, `the post “${signs}” shows its title`)
    },
  },
  {
    name: 'posts with summary, tags, state and date; changed, and renamed',
    area: 'posts',
    needs: ['posts.summary', 'posts.tags', 'posts.state', 'posts.date'],
    async run(site) {
      const plan = (...posts: object[]) => site.baseline({ posts, files, site: { timezone: 'Europe/Vienna' } })
      const draft = { title: 'Draft', slug: 'draft', state: 'draft' }
      const first = plan(
        { ...kelp, summary: 'Brown & long', tags: ['Brown', 'It’s big'], date: '2026-03-05T14:07' },
        draft,
      )
      await site.settledForGood(first)
      await site.seen(first, 'the post “Kelp & co” shows its text')
      const second = plan(
        { ...kelp, summary: '', tags: ['Brown'], date: '2025-07-31T23:59' },
        { ...draft, state: 'published' },
      )
      assert.deepEqual(
        [...(await site.settledForGood(second, { inUse: true })).settled]
          .filter((ref) => ref.startsWith('posts/'))
          .sort(),
        ['posts/draft', 'posts/kelp'],
      )
      const renamed = plan({ ...kelp, slug: 'seaweed', was: 'kelp' }, { ...draft, state: 'published' })
      assert.deepEqual((await site.settledForGood(renamed, { inUse: true })).settled, ['posts/seaweed'])
    },
  },
]

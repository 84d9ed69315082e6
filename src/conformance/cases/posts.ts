import assert from 'node:assert/strict'
import type { ConformanceCase } from '../case.js'

const categories = [
  { name: 'Sightings', slug: 'sightings' },
  { name: 'Rock & sand', slug: 'rock' },
]
const files = { 'kelp.md': 'Kelp, *at last*.\n', 'other.md': 'No kelp at all.\n' }
const kelp = { title: 'Kelp & co', slug: 'kelp', body: 'kelp.md' }

export const postCases: readonly ConformanceCase[] = [
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
      assert.ok(checks.some(({ name }) => name === 'the post “Kelp & co” shows its text'))
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
]

import assert from 'node:assert/strict'
import type { ConformanceCase } from '../case.js'

const pages = [
  { title: 'Home & tides', slug: 'home' },
  { title: 'Rota', slug: 'rota' },
  { title: 'News', slug: 'news' },
]

export const frontPageCases: readonly ConformanceCase[] = [
  {
    name: 'a page as front page, another for the posts, and back to the latest posts',
    area: 'frontPage',
    needs: ['frontPage.page', 'frontPage.posts'],
    async run(site) {
      const files = { 'home.md': 'Low water at half past nine.\n' }
      const own = [{ ...pages[0], body: 'home.md' }, pages[2]]
      const plan = site.baseline({ pages: own, files, frontPage: { page: 'home', posts: 'news' } })
      await site.settledForGood(plan)
      const checks = await site.confirmed(plan)
      assert.ok(checks.some(({ name, outcome }) => name === 'the front page is “Home & tides”' && outcome === 'passed'))
      await site.settledForGood(site.baseline({ pages: own, files, frontPage: 'posts' }))
    },
  },
]

import assert from 'node:assert/strict'
import type { ConformanceCase } from '../case.js'
import { kelp } from '../plans.js'

export const publishingCases: readonly ConformanceCase[] = [
  {
    name: 'posts on a page, the feed, and services that are told of new posts',
    area: 'publishing',
    needs: ['publishing.postsPerPage', 'publishing.feedPosts', 'publishing.feedShows', 'publishing.newPostNotices'],
    async run(site) {
      const plan = site.baseline({
        publishing: { postsPerPage: 3, feed: { posts: 4, shows: 'summary' }, newPostNotices: [] },
      })
      await site.settledForGood(plan)
      await site.confirmed(plan)
      const notices = ['https://a.tidepool.example/told', 'https://b.tidepool.example/told']
      await site.settledForGood(
        site.baseline({
          publishing: { postsPerPage: 12, feed: { posts: 7, shows: 'whole' }, newPostNotices: notices },
        }),
      )
    },
  },
  {
    name: 'addresses of posts from a URI Template; items are found there, and an old address leads on',
    area: 'publishing',
    needs: ['publishing.postAddress', 'posts.date'],
    unless: ({ areas }) => (areas.publishing?.try ? undefined : 'old addresses are not followed'),
    async run(site) {
      let tried = false
      for (const postAddress of ['/{slug}/', '/{year}/{slug}/']) {
        const plan = site.baseline({ posts: [kelp], publishing: { postAddress } })
        await site.settledForGood(plan)
        const checks = await site.confirmed(plan, { try: true })
        assert.ok(
          checks.some(({ name, outcome }) => name === 'the post “Kelp” shows its title' && outcome === 'passed'),
        )
        tried ||= checks.some(
          ({ name, outcome }) => name.startsWith('an old address of a post') && outcome === 'passed',
        )
      }
      assert.ok(tried, 'an old address was followed')
    },
  },
]

import assert from 'node:assert/strict'
import type { ConformanceCase } from '../case.js'

const posts = [{ title: 'Kelp', slug: 'kelp', date: '2026-03-05T14:07' }]

export const ruleCases: readonly ConformanceCase[] = [
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
    async run(site) {
      let tried = false
      for (const postAddress of ['/{slug}/', '/{year}/{slug}/']) {
        const plan = site.baseline({ posts, publishing: { postAddress } })
        await site.settledForGood(plan)
        const checks = await site.confirmed(plan, { try: true })
        assert.ok(checks.some(({ name }) => name === 'the post “Kelp” shows its text'))
        tried ||= checks.some(({ name }) => name.startsWith('an old address of a post'))
      }
      assert.ok(tried || !site.system.areas.publishing?.try, 'an old address was followed')
    },
  },
  {
    name: 'rules for comments, tried out by a visitor who leaves no trace',
    area: 'commenting',
    needs: ['commenting.allowed', 'commenting.approve', 'commenting.linksBeforeApproval', 'posts.date'],
    async run(site) {
      for (const [comments, came] of [
        [{ allowed: true, approve: 'all', linksBeforeApproval: 1 }, 'a visitor’s comment waits for the owner'],
        [{ allowed: true, approve: 'newcomers', linksBeforeApproval: 0 }, 'a visitor’s comment waits for the owner'],
        [{ allowed: true, approve: 'none', linksBeforeApproval: 2 }, 'a comment with 3 links waits for the owner'],
      ] as const) {
        const plan = site.baseline({ posts, comments })
        await site.settledForGood(plan)
        const checks = await site.confirmed(plan, { try: true })
        assert.ok(
          checks.some(({ name }) => name === came),
          came,
        )
        assert.equal((await site.settle(plan)).comparison.others.length, 0, 'nothing is left of it')
      }
      const closed = site.baseline({
        posts: [...posts, { title: 'Limpet', slug: 'limpet' }],
        comments: { allowed: false },
      })
      await site.settledForGood(closed)
    },
  },
  {
    name: 'sign-up: open and closed, as visitors see it, and what a new account may do',
    area: 'signUp',
    needs: ['signUp.open', 'signUp.role'],
    async run(site) {
      for (const signUp of [
        { open: true, role: 'writer' },
        { open: false, role: 'editor' },
        { open: true, role: 'reader' },
      ]) {
        const plan = site.baseline({ signUp })
        await site.settledForGood(plan)
        const checks = await site.confirmed(plan)
        assert.ok(checks.some(({ name }) => name.endsWith('make an account')))
      }
    },
  },
  {
    name: 'which new versions are taken by themselves, and those that wait',
    area: 'updates',
    needs: ['updates.system', 'updates.themes', 'updates.waiting'],
    async run(site) {
      await site.settledForGood(
        site.baseline({ updates: { system: 'all', themes: 'automatic', addOns: 'automatic', now: true } }),
      )
      await site.settledForGood(site.baseline({ updates: { system: 'none', themes: 'by hand', addOns: 'by hand' } }))
      await site.settledForGood(site.baseline({ updates: { system: 'fixes' } }))
    },
  },
]

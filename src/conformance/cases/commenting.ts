import assert from 'node:assert/strict'
import type { ConformanceCase } from '../case.js'
import { kelp } from '../plans.js'

export const commentingCases: readonly ConformanceCase[] = [
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
        const plan = site.baseline({ posts: [kelp], comments })
        await site.settledForGood(plan)
        const checks = await site.confirmed(plan, { try: true })
        assert.ok(
          checks.some(({ name, outcome }) => name === came && outcome === 'passed'),
          came,
        )
        assert.equal((await site.settle(plan)).comparison.others.length, 0, 'nothing is left of it')
      }
      const closed = site.baseline({
        posts: [kelp, { title: 'Limpet', slug: 'limpet' }],
        comments: { allowed: false },
      })
      await site.settledForGood(closed)
    },
  },
  {
    name: 'whether visitors may comment is seen on a post that was made under the rule, and on no other',
    area: 'commenting',
    needs: ['commenting.allowed', 'posts.title'],
    async run(site) {
      const by = site.provided.comments === undefined ? {} : { addOns: [{ use: site.provided.comments }] }
      const limpet = { title: 'Limpet', slug: 'limpet' }
      const closed = site.baseline({ ...by, posts: [kelp], comments: { allowed: false } })
      await site.settledForGood(closed)
      await site.seen(closed, 'visitors can’t comment on new posts')
      const opened = site.baseline({ ...by, posts: [kelp], comments: { allowed: true } })
      await site.settledForGood(opened)
      const name = 'visitors may comment on new posts'
      const told = (await site.confirmed(opened)).find((check) => check.name === name)
      assert.equal(told?.outcome, 'not looked at', 'made under another rule')
      const more = site.baseline({ ...by, posts: [kelp, limpet], comments: { allowed: true } })
      await site.settledForGood(more)
      await site.seen(more, name)
    },
  },
  {
    name: 'all comments wait, or none, tried out by a visitor who leaves no trace',
    area: 'commenting',
    needs: ['commenting.allowed', 'commenting.approve', 'posts.title'],
    async run(site) {
      const by = site.provided.comments === undefined ? {} : { addOns: [{ use: site.provided.comments }] }
      for (const [approve, came] of [
        ['all', 'a visitor’s comment waits for the owner'],
        ['none', 'a visitor’s comment is shown at once'],
      ] as const) {
        const plan = site.baseline({ ...by, posts: [kelp], comments: { allowed: true, approve } })
        await site.settledForGood(plan)
        const checks = await site.confirmed(plan, { try: true })
        assert.equal(checks.find(({ name }) => name === came)?.outcome, 'passed', came)
        assert.equal((await site.settle(plan)).comparison.others.length, 0, 'nothing is left of it')
      }
    },
  },
]

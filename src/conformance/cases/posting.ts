import type { ConformanceCase } from '../case.js'

export const postingCases: readonly ConformanceCase[] = [
  {
    name: 'how much members may post, and how much stands on a page',
    area: 'posting',
    needs: ['posting.perHour', 'posting.postsPerPage', 'posting.topicsPerPage', 'posting.polls.allowed'],
    async run(site) {
      const plan = (posting: object) => site.baseline({ posting })
      await site.settledForGood(plan({ perHour: 30, postsPerPage: 15, topicsPerPage: 20, polls: { allowed: false } }))
      await site.settledForGood(plan({ perHour: 0, postsPerPage: 12, topicsPerPage: 30, polls: { allowed: true } }))
    },
  },
  {
    name: 'the wait between two posts, busy topics, and choices of a poll',
    area: 'posting',
    needs: ['posting.waitSeconds', 'posting.busyFrom', 'posting.polls.choices'],
    async run(site) {
      await site.settledForGood(site.baseline({ posting: { waitSeconds: 20, busyFrom: 25, polls: { choices: 8 } } }))
    },
  },
]

import assert from 'node:assert/strict'
import type { ConformanceCase } from '../case.js'
import { shore } from '../plans.js'

export const topicsCases: readonly ConformanceCase[] = [
  {
    name: 'a forum that the file says is gone goes; one that holds a topic never does',
    area: 'topics',
    needs: ['forums.title'],
    async run(site) {
      await site.settled(site.baseline({ forums: [shore] }))
      await site.writeIn('forums/On the shore/Strandline', 'A glove, left hand')
      const less = site.baseline({
        forums: [{ title: 'On the shore', forums: [{ title: 'Rock pools' }] }],
        gone: { forums: ['On the shore/Strandline', 'On the shore/Counting'] },
      })
      const { settled, comparison } = await site.settled(less, { inUse: true })
      assert.deepEqual(settled, ['forums/On the shore/Counting'])
      assert.ok(
        comparison.kept.some(({ ref, text }) => ref.endsWith('Strandline') && text.includes('A glove, left hand')),
      )
    },
  },
  {
    name: 'a topic that somebody wrote makes it a site in use',
    area: 'topics',
    needs: ['forums.title'],
    async run(site) {
      await site.settled(site.baseline({ forums: [shore] }))
      await site.writeIn('forums/On the shore/Rock pools', 'A crab, with a hat')
      const plan = site.baseline({ shipped: 'remove', site: { title: 'Other' }, forums: [shore] })
      await assert.rejects(site.settle(plan), { code: 'in-use' })
      const { settled } = await site.settled(plan, { inUse: true })
      assert.deepEqual(settled, ['site'])
    },
  },
]

import assert from 'node:assert/strict'
import type { ConformanceCase } from '../case.js'
import { shore, signs } from '../plans.js'

const refs = (settled: readonly string[], area: string) => settled.filter((ref) => ref.startsWith(`${area}/`)).sort()

export const forumsCases: readonly ConformanceCase[] = [
  {
    name: 'categories and forums in their order, with what belongs into them, and a second run without a write',
    area: 'forums',
    needs: ['forums.title', 'forums.parent', 'forums.description', 'forumOrder.order'],
    async run(site) {
      const plan = site.baseline({ forums: [shore, { title: 'Surveys', forums: [{ title: 'Raw counts' }] }] })
      const { settled } = await site.settledForGood(plan)
      assert.equal(refs(settled, 'forums').length, 6)
      const turned = site.baseline({
        forums: [
          { title: 'Surveys', forums: [{ title: 'Raw counts' }] },
          { ...shore, forums: [...shore.forums].reverse() },
        ],
      })
      assert.deepEqual((await site.settledForGood(turned)).settled, ['forumOrder'])
    },
  },
  {
    name: 'renamed and moved, nothing is made a second time: also what stands in a category that is renamed',
    area: 'forums',
    needs: ['forums.title', 'forums.parent'],
    async run(site) {
      await site.settled(site.baseline({ forums: [shore] }))
      const plan = site.baseline({
        forums: [
          {
            title: 'By the sea',
            was: 'On the shore',
            forums: [{ title: 'Rock pools' }, { title: 'Strand line', was: 'On the shore/Strandline' }],
          },
          { title: 'Surveys', forums: [{ title: 'How to count', was: 'On the shore/Counting' }] },
        ],
      })
      const { comparison } = await site.settledForGood(plan)
      const made = comparison.differences.filter(({ area, is }) => area === 'forums' && is === 'missing')
      assert.deepEqual(
        made.map(({ ref }) => ref),
        ['forums/Surveys'],
      )
    },
  },
  {
    name: 'locked, and open again; when old topics go',
    area: 'forums',
    needs: ['forums.locked', 'forums.removeOldAfterDays'],
    async run(site) {
      const plan = (forum: object) =>
        site.baseline({ forums: [{ title: 'On the shore', forums: [{ title: 'Rock pools', ...forum }] }] })
      await site.settledForGood(plan({ locked: true, removeOldAfterDays: 400 }))
      await site.settledForGood(plan({ locked: false, removeOldAfterDays: 'never' }))
    },
  },
  {
    name: 'what shipped goes, after the planned ones are there, and stays where somebody wrote',
    area: 'forums',
    needs: ['forums.title'],
    async run(site) {
      const plan = site.baseline({ shipped: 'remove', forums: [shore] })
      const sent: string[] = []
      const { settled } = await site.settled(plan, {
        on: (event) => {
          if (event.is === 'sent') sent.push(...event.refs)
        },
      })
      const shipped = refs(settled, 'forums').filter((ref) => !ref.startsWith('forums/On the shore'))
      assert.ok(shipped.length > 0)
      assert.ok(
        Math.min(...shipped.map((ref) => sent.indexOf(ref)).filter((at) => at >= 0)) >
          sent.indexOf('forums/On the shore/Counting'),
      )
      await site.settledForGood(plan)
    },
  },
  {
    name: 'titles and descriptions of forums are text: what looks like tags or entities is read back as it was written',
    area: 'forums',
    needs: ['forums.title', 'forums.description'],
    async run(site) {
      const [title, description] = [signs.slice(0, 50), `About ${signs}`]
      const plan = site.baseline({ forums: [{ title: 'On the shore', forums: [{ title, description }] }] })
      await site.settledForGood(plan)
      await site.confirmed(plan)
    },
  },
]

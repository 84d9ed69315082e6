import assert from 'node:assert/strict'
import type { ConformanceCase } from '../case.js'
import type { ConformanceSite } from '../site.js'

const shore = {
  title: 'On the shore',
  description: 'What the sea left',
  forums: [
    { title: 'Rock pools', description: 'Anemones & <blennies>' },
    { title: 'Strandline' },
    { title: 'Counting' },
  ],
}
const refs = (settled: readonly string[], area: string) => settled.filter((ref) => ref.startsWith(`${area}/`)).sort()

/** Somebody writes in a forum: the owner, on the public side. */
export async function writeIn(site: ConformanceSite, ref: string, title: string): Promise<void> {
  const { eyes } = site.system.areas.access ?? {}
  const topic = await site.asOwner(async (visitor, idOf) => eyes?.act(visitor, 'start', { ref, id: idOf(ref) }, title))
  assert.ok(topic !== undefined, 'the owner could write there')
}

export const forumCases: readonly ConformanceCase[] = [
  {
    name: 'groups: made once, and gone when the file says so',
    area: 'groups',
    needs: ['groups.name'],
    async run(site) {
      const plan = site.baseline({ groups: [{ name: 'Survey volunteers' }, { name: 'Night watch & co' }] })
      const { settled } = await site.settledForGood(plan)
      assert.deepEqual(refs(settled, 'groups'), ['groups/Night watch & co', 'groups/Survey volunteers'])
      const less = site.baseline({ groups: [{ name: 'Survey volunteers' }], gone: { groups: ['Night watch & co'] } })
      assert.deepEqual((await site.settledForGood(less)).settled, ['groups/Night watch & co'])
    },
  },
  {
    name: 'what a group is for',
    area: 'groups',
    needs: ['groups.description'],
    async run(site) {
      for (const description of ['People who signed the sheet', 'Others'])
        await site.settledForGood(site.baseline({ groups: [{ name: 'Survey volunteers', description }] }))
    },
  },
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
    name: 'a forum that the file says is gone goes; one that holds a topic never does',
    area: 'topics',
    needs: ['forums.title'],
    async run(site) {
      await site.settled(site.baseline({ forums: [shore] }))
      await writeIn(site, 'forums/On the shore/Strandline', 'A glove, left hand')
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
    name: 'a topic that somebody wrote makes it a site in use',
    area: 'topics',
    needs: ['forums.title'],
    async run(site) {
      await site.settled(site.baseline({ forums: [shore] }))
      await writeIn(site, 'forums/On the shore/Rock pools', 'A crab, with a hat')
      const plan = site.baseline({ shipped: 'remove', site: { title: 'Other' }, forums: [shore] })
      await assert.rejects(site.settle(plan), { code: 'in-use' })
      const { settled } = await site.settled(plan, { inUse: true })
      assert.deepEqual(settled, ['site'])
    },
  },
]

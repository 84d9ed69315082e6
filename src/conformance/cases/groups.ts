import assert from 'node:assert/strict'
import type { ConformanceCase } from '../case.js'

const refs = (settled: readonly string[], area: string) => settled.filter((ref) => ref.startsWith(`${area}/`)).sort()

export const groupsCases: readonly ConformanceCase[] = [
  {
    name: 'groups: made once, and gone when the file says so',
    area: 'groups',
    needs: ['groups.name'],
    async run(site) {
      const plan = site.baseline({
        groups: [{ name: 'Survey volunteers' }, { name: 'Night watch & co' }, { name: 'Ночная вахта' }],
      })
      const { settled } = await site.settledForGood(plan)
      assert.deepEqual(refs(settled, 'groups'), [
        'groups/Night watch & co',
        'groups/Survey volunteers',
        'groups/Ночная вахта',
      ])
      const less = site.baseline({
        groups: [{ name: 'Survey volunteers' }],
        gone: { groups: ['Night watch & co', 'Ночная вахта'] },
      })
      assert.deepEqual(refs((await site.settledForGood(less)).settled, 'groups'), [
        'groups/Night watch & co',
        'groups/Ночная вахта',
      ])
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
]

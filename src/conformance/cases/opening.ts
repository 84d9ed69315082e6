import assert from 'node:assert/strict'
import type { ConformanceCase } from '../case.js'

export const openingCases: readonly ConformanceCase[] = [
  {
    name: 'closed to visitors while it is settled, and open afterwards',
    area: 'opening',
    needs: ['opening.visitors'],
    async run(site) {
      const notice = 'We open at low water'
      const plan = site.baseline({
        site: { description: 'Between the tides', open: { from: 'settled', notice } },
        forums: [{ title: 'On the shore', forums: [{ title: 'Rock pools' }] }],
      })
      const looks: Promise<string>[] = []
      await site.settled(plan, {
        on: (event) => {
          if (event.is === 'carried' && event.refs.some((ref) => ref.startsWith('forums/')))
            looks.push(fetch(site.address).then((answer) => answer.text()))
        },
      })
      const seen = await Promise.all(looks)
      assert.ok(seen.length > 0 && seen.every((text) => text.includes(notice)))
      assert.doesNotMatch(await (await fetch(site.address)).text(), /We open at low water/)
      assert.equal((await site.settle(plan)).writes, 0)
    },
  },
]

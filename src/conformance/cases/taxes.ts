import assert from 'node:assert/strict'
import type { ConformanceCase } from '../case.js'
import { quay } from '../shop.js'

export const taxesCases: readonly ConformanceCase[] = [
  {
    name: 'taxes with rates by country; a rate that changes, and one that nobody planned and stays',
    area: 'taxes',
    needs: ['taxes.name', 'taxes.rates'],
    async run(site) {
      const plan = (...taxes: object[]) => site.baseline({ store: { taxes } })
      const [vat, low] = quay.taxes
      await site.settledForGood(plan({ ...vat }, { name: 'VAT', country: 'IE', rate: '23' }, { ...low, rate: '13.5' }))
      const { settled, comparison } = await site.settledForGood(plan({ ...vat, rate: '21' }, { ...low, rate: '13.50' }))
      assert.deepEqual(settled, ['taxes/VAT'])
      assert.ok(comparison.differences.every(({ is }) => is === 'different'))
      const again = await site.settle(plan({ name: 'VAT', country: 'IE', rate: '23' }, { ...low, rate: '13.50' }))
      assert.deepEqual([again.writes, again.comparison.differences], [0, []])
    },
  },
]

import assert from 'node:assert/strict'
import { confirm } from '../../engine/confirm.js'
import type { ConformanceCase } from '../case.js'
import { bean, shop, thrift } from '../shop.js'

export const ordersCases: readonly ConformanceCase[] = [
  {
    name: 'a stranger’s order comes to the planned total, is cancelled, and leaves the shop as it was',
    area: 'orders',
    needs: ['products.price', 'shipping.price', 'payment.cash'],
    unless: ({ areas }) => (areas.orders?.try ? undefined : 'this system gives no way to try it'),
    async run(site) {
      const plan = shop(site, [bean, thrift], { shipped: 'remove' })
      await site.settled(plan)
      for (let time = 0; time < 2; time += 1) {
        const { checks } = await confirm(plan, { ...site.options, try: true })
        const tried = checks.filter(({ name }) => / order/.test(name) && !name.includes('screen'))
        assert.deepEqual(
          tried.map(({ name, outcome }) => [name, outcome]),
          [
            ['a stranger orders “Runner bean” for 5.90 GBP', 'passed'],
            ['an order to NZ is turned away', 'passed'],
          ],
          tried.map(({ detail }) => detail).join('\n'),
        )
        assert.match(tried[0]?.detail ?? '', /order \S+ came to 5\.90; it was cancelled, and the stock is as before/)
      }
      // that order is ours: nothing else is in use
      const { comparison, writes } = await site.settle(plan)
      assert.deepEqual([comparison.others, writes], [[], 0])
      assert.equal(checksOf(await site.confirmed(plan)), 0)
    },
  },
]

const checksOf = (checks: readonly { outcome: string }[]): number =>
  checks.filter(({ outcome }) => outcome === 'failed').length

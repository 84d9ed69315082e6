import assert from 'node:assert/strict'
import type { ConformanceCase } from '../case.js'

export const paymentCases: readonly ConformanceCase[] = [
  {
    name: 'cash, by a name of its own; what needs a provider is by hand',
    area: 'payment',
    needs: ['payment.cash'],
    async run(site) {
      const cash = (name: string) => ({ name, by: 'cash' })
      await site.settledForGood(site.baseline({ store: { payment: [cash('At the counter')] } }))
      const more = site.baseline({ store: { payment: [cash('At the till'), { name: 'Card', by: 'card' }] } })
      const { comparison } = await site.settle(more)
      assert.ok(comparison.byHand.some(({ ref }) => ref === 'store.payment.card'))
    },
  },
  {
    name: 'transfer to a bank account',
    area: 'payment',
    needs: ['payment.transfer'],
    async run(site) {
      await site.settledForGood(site.baseline({ store: { payment: [{ name: 'By transfer', by: 'transfer' }] } }))
    },
  },
]

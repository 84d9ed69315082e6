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

export const shippingCases: readonly ConformanceCase[] = [
  {
    name: 'ways of shipping with their countries; a price that changes, and one that the file says is gone',
    area: 'shipping',
    needs: ['shipping.name', 'shipping.price', 'shipping.countries'],
    async run(site) {
      const plan = (shipping: object[], more: object = {}) =>
        site.baseline({ store: { currency: 'GBP', shipsTo: ['GB', 'IE'], shipping }, ...more })
      const van = { name: 'Blue van', price: '3.50', countries: ['GB'] }
      const boat = { name: 'Post & boat', price: '7.90', countries: ['IE'] }
      await site.settledForGood(plan([van, boat]))
      const { settled } = await site.settledForGood(plan([{ ...van, price: '4.25' }, boat]))
      assert.deepEqual(settled, ['shipping/Blue van'])
      const one = { name: 'Cart', price: '0', countries: ['GB', 'IE'] }
      await site.settledForGood(plan([van, one], { gone: { 'store.shipping': ['Post & boat'] } }))
    },
  },
  {
    name: 'shipping by weight',
    area: 'shipping',
    needs: ['shipping.byWeight'],
    async run(site) {
      const byWeight = (price: string) => [
        { from: '0', price: '3.00' },
        { from: '2', price },
      ]
      const plan = (price: string) =>
        site.baseline({
          store: {
            currency: 'GBP',
            shipsTo: ['GB'],
            shipping: [{ name: 'Cart', countries: ['GB'], byWeight: byWeight(price) }],
          },
        })
      await site.settledForGood(plan('6.00'))
      await site.settledForGood(plan('6.50'))
    },
  },
  {
    name: 'shipping that is free from a sum on',
    area: 'shipping',
    needs: ['shipping.freeFrom'],
    async run(site) {
      const plan = (freeFrom: string) =>
        site.baseline({
          store: {
            currency: 'GBP',
            shipsTo: ['GB'],
            shipping: [{ name: 'Cart', price: '3.50', countries: ['GB'], freeFrom }],
          },
        })
      await site.settledForGood(plan('40.00'))
      await site.settledForGood(plan('50.00'))
    },
  },
]

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

import assert from 'node:assert/strict'
import type { ConformanceCase } from '../case.js'

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

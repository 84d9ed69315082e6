import assert from 'node:assert/strict'
import { compareSite } from '../../engine/compare.js'
import type { ConformanceCase } from '../case.js'
import { shop, quay, thrift } from '../shop.js'

const address = {
  street: '4 Quay Lane',
  city: 'Saltmarsh Quay',
  region: 'Marshland',
  postcode: 'SQ1 4AB',
  country: 'GB',
}
const told = { address, email: 'orders@seeds.example', phone: '+44 20 7946 0123' }

export const storeCases: readonly ConformanceCase[] = [
  {
    name: 'where the store is, its currency, its units, and where it ships to; only what differs is changed',
    area: 'store',
    needs: ['store.address.street', 'store.email', 'store.phone', 'store.currency', 'store.prices', 'store.shipsTo'],
    async run(site) {
      const store = {
        ...told,
        currency: 'GBP',
        prices: 'include tax',
        units: { weight: 'kg' },
        shipsTo: [] as string[],
      }
      const shipping = [{ name: 'Blue van', price: '3.50' }]
      const plan = (more: object) => site.baseline({ store: { ...store, shipping, ...more } })
      await site.settledForGood(plan({ shipsTo: ['GB', 'IE'] }))
      const { comparison } = await site.settledForGood(plan({ shipsTo: ['IE'], phone: '+44 20 7946 0999' }))
      const changed = comparison.differences.find(({ area }) => area === 'store')
      assert.deepEqual(changed?.is === 'different' && [...changed.fields].sort(), ['phone', 'shipsTo'])
    },
  },
  {
    name: 'the currency is never changed under prices: by hand, with why',
    area: 'store',
    needs: ['store.currency', 'products.price'],
    async run(site) {
      await site.settled(shop(site, [thrift]))
      const { comparison } = await compareSite(
        shop(site, [thrift], { store: { ...quay, currency: 'EUR' } }),
        site.options,
      )
      assert.deepEqual(comparison.differences, [])
      assert.match(comparison.byHand.find(({ ref }) => ref === 'store.currency')?.text ?? '', /mean something else/)
    },
  },
  {
    name: 'what a set-up asks: trade, kind of goods, size; extras that it pushes are declined unless they are named',
    area: 'store',
    needs: ['store.trade', 'store.goods', 'store.size', 'store.offers.accept', 'first-run'],
    async run(site) {
      const store = { trade: ['seeds', 'garden tools'], goods: ['posted'], size: 500, offers: { accept: [] } }
      await site.settledForGood(site.baseline({ store }))
    },
  },
]

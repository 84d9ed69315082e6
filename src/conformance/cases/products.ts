import assert from 'node:assert/strict'
import { join } from 'node:path'
import type { ConformanceCase } from '../case.js'
import { apron, bean, shop, thrift } from '../shop.js'

const full = { ...bean, pictures: ['bean.png'] }

export const productsCases: readonly ConformanceCase[] = [
  {
    name: 'products with price, tax, stock, weight, picture and text, as visitors find them; a second run writes nothing',
    area: 'products',
    needs: [
      'products.price',
      'products.tax',
      'products.stock',
      'products.weight',
      'products.pictures',
      'products.description',
    ],
    async run(site) {
      const plan = shop(site, [full, thrift], { shipped: 'remove' })
      await site.settledForGood(plan)
      await site.seen(
        plan,
        'the product “Runner bean” shows its name and its price',
        'the category “Beans” lists its products',
        'the category “Flowers” lists its products',
        'a search for “Runner bean” finds the product “Runner bean”',
      )
      // nor from another folder, with nothing remembered
      const elsewhere = await site.settle(plan, { state: join(site.provided.state, 'new') })
      assert.deepEqual([elsewhere.writes, elsewhere.comparison.differences], [0, []])
    },
  },
  {
    name: 'a change of one key leaves every other as it stands: the price, the text, the category, the picture',
    area: 'products',
    needs: ['products.price', 'products.tax', 'products.pictures', 'products.description', 'products.categories'],
    async run(site) {
      await site.settled(shop(site, [full]))
      const changes: object[] = [
        { price: '2.60' },
        { description: 'other.md' },
        { categories: ['flowers'] },
        { name: 'Pole bean' },
      ]
      let now: object = full
      for (const change of changes) {
        now = { ...now, ...change }
        const files = { 'other.md': 'Sow them in April.\n' }
        const { comparison } = await site.settledForGood(shop(site, [now], { files }))
        const [difference] = comparison.differences
        assert.deepEqual(difference?.is === 'different' && difference.fields, Object.keys(change))
      }
      await site.confirmed(shop(site, [now], { files: { 'other.md': 'Sow them in April.\n' } }))
    },
  },
  {
    name: 'what its owner changed since is theirs: the price stays, and is told; stock is never sent again',
    area: 'products',
    needs: ['products.price', 'products.stock'],
    async run(site) {
      await site.settled(shop(site, [bean]))
      // the owner at work: from another folder, with a plan of their own
      const theirs = shop(site, [{ ...bean, price: '9.99' }])
      await site.settled(theirs, { state: join(site.provided.state, 'theirs'), again: true })
      const plan = shop(site, [{ ...bean, stock: 500 }])
      const kept = await site.settle(plan)
      assert.equal(kept.writes, 0)
      assert.deepEqual(kept.comparison.theirKeys, ['products/SQ-1#price'])
      await site.confirmed(plan)
      const { settled } = await site.settled(plan, { again: ['products/SQ-1'] })
      assert.deepEqual(settled, ['products/SQ-1'])
      assert.equal((await site.settle(plan)).writes, 0)
    },
  },
  {
    name: 'what is hidden is not listed; shown again it is; one that the file says is gone goes',
    area: 'products',
    needs: ['products.state'],
    async run(site) {
      const hidden = shop(site, [bean, { ...thrift, state: 'hidden' }])
      await site.settledForGood(hidden)
      await site.seen(hidden, 'the category “Flowers” does not list what is hidden')
      const shown = shop(site, [bean, thrift])
      await site.settledForGood(shown)
      await site.seen(shown, 'the category “Flowers” lists its products')
      const { settled } = await site.settledForGood(shop(site, [bean], { gone: { products: ['SQ-2'] } }))
      assert.deepEqual(settled, ['products/SQ-2'])
    },
  },
  {
    name: 'variants under one address, each with its SKU, price and stock; one more joins them, another price changes one alone',
    area: 'products',
    needs: ['products.options', 'products.price', 'products.stock'],
    async run(site) {
      const plan = shop(site, [apron(), bean])
      await site.settledForGood(plan)
      await site.seen(
        plan,
        'the product “Apron”, S, green shows its name and its price',
        'the product “Apron”, M, green shows its name and its price',
        'the category “Flowers” lists its products',
      )
      const elsewhere = await site.settle(plan, { state: join(site.provided.state, 'new') })
      assert.deepEqual([elsewhere.writes, elsewhere.comparison.differences], [0, []])
      const more = shop(site, [apron('19.50', ['L', 'undyed']), bean])
      const { comparison } = await site.settledForGood(more)
      assert.deepEqual(
        comparison.differences.map((one) => [one.ref, one.is === 'different' ? one.fields : one.is]).sort(),
        [
          ['products/AP-M', ['price']],
          ['products/AP-X', 'missing'],
        ],
      )
      await site.confirmed(more)
      const { settled } = await site.settled(shop(site, [apron(), bean], { gone: { products: ['AP-X'] } }))
      assert.deepEqual(settled.sort(), ['products/AP-M', 'products/AP-X'])
    },
  },
  {
    name: 'a price for now, beside the usual one',
    area: 'products',
    needs: ['products.salePrice'],
    async run(site) {
      const plan = shop(site, [{ ...bean, salePrice: '1.95' }])
      await site.settledForGood(plan)
      await site.confirmed(plan)
    },
  },
  {
    name: 'somebody’s own product under a planned SKU stays as it is, and is told',
    area: 'products',
    needs: ['products.price'],
    async run(site) {
      await site.settled(shop(site, [{ ...bean, name: 'Somebody’s bean' }]), {
        state: join(site.provided.state, 'somebody'),
      })
      const { settled, comparison } = await site.settle(shop(site, [bean]), {
        state: join(site.provided.state, 'ours'),
      })
      assert.deepEqual(settled, [])
      assert.ok(comparison.byHand.some(({ ref, text }) => ref === 'products/SQ-1' && text.includes('somebody')))
    },
  },
  {
    name: 'forty products from a table, with prices to the last cent',
    area: 'products',
    needs: ['products.price'],
    async run(site) {
      const rows = Array.from(
        { length: 40 },
        (_, index) => `Bean ${index},bean-${index},B-${index},${index}.0${index % 10},beans,3`,
      )
      const table = `name,slug,sku,price,categories,stock\n${rows.join('\n')}\n`
      const plan = shop(site, [], { products: { from: 'beans.csv' }, files: { 'beans.csv': table } })
      await site.settledForGood(plan)
      await site.confirmed(plan)
    },
  },
]

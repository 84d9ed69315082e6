import assert from 'node:assert/strict'
import { unlessHeld, type ConformanceCase } from '../case.js'
import { signs } from '../plans.js'

const wanted = [
  {
    name: 'Sightings',
    slug: 'sightings',
    description: 'What we met & where',
    replaces: 'shipped',
    under: [{ name: 'Rock pools', slug: 'rock-pools', under: [{ name: 'Blennies', slug: 'blennies' }] }],
  },
  { name: 'Tides', slug: 'tides' },
]

export const categoriesCases: readonly ConformanceCase[] = [
  {
    name: 'another category becomes the one for posts without any, and the shipped one can go',
    area: 'categories',
    needs: ['categories.default'],
    async run(site) {
      const plan = site.baseline({
        shipped: { categories: 'remove' },
        categories: [
          { name: 'Sightings', slug: 'sightings', default: true },
          { name: 'Other', slug: 'other' },
        ],
      })
      const { settled } = await site.settledForGood(plan)
      assert.equal(settled.filter((ref) => ref.startsWith('categories/')).length, 3)
      await site.settledForGood(
        site.baseline({
          categories: [
            { name: 'Other', slug: 'other', default: true },
            { name: 'Sightings', slug: 'sightings' },
          ],
        }),
      )
    },
  },
  {
    name: 'categories three deep, the shipped one taken over, and a second run without a write',
    area: 'categories',
    needs: ['categories.name', 'categories.slug', 'categories.description', 'categories.parent'],
    async run(site) {
      const baseline = site.baseline({ categories: wanted })
      const { settled } = await site.settled(baseline)
      assert.deepEqual(settled.filter((ref) => ref.startsWith('categories/')).sort(), [
        'categories/blennies',
        'categories/rock-pools',
        'categories/sightings',
        'categories/tides',
      ])
      assert.equal((await site.settle(baseline)).writes, 0)
    },
  },
  {
    name: 'a category renamed in the file is renamed on the site, and moves when its parent differs',
    area: 'categories',
    needs: ['categories.name', 'categories.slug', 'categories.parent'],
    async run(site) {
      await site.settled(site.baseline({ categories: wanted }))
      const renamed = [
        { name: 'Sightings', slug: 'sightings' },
        { name: 'Tides', slug: 'tides', under: [{ name: 'Blennies', slug: 'blennies' }] },
        { name: 'Pools', slug: 'pools', was: 'rock-pools' },
      ]
      const { settled, comparison } = await site.settled(site.baseline({ categories: renamed }))
      assert.ok(
        comparison.differences.every(({ is }) => is === 'different'),
        'nothing is made a second time',
      )
      assert.deepEqual([...settled].sort(), ['categories/blennies', 'categories/pools'])
    },
  },
  {
    name: 'a category that the file says is gone goes',
    area: 'categories',
    needs: ['categories.name', 'categories.slug'],
    async run(site) {
      await site.settled(site.baseline({ categories: wanted }))
      const [first] = wanted
      const { settled } = await site.settled(site.baseline({ categories: [first], gone: { categories: ['tides'] } }))
      assert.deepEqual(settled, ['categories/tides'])
    },
  },
  {
    name: 'names of categories are text: what looks like tags or entities reaches visitors as it is written',
    area: 'categories',
    needs: ['categories.name', 'categories.description'],
    unless: unlessHeld('categories', 'name', signs),
    async run(site) {
      const plan = site.baseline({ categories: [{ name: signs, slug: 'signs', description: `About ${signs}` }] })
      await site.settledForGood(plan)
      await site.seen(plan, `the page of the category “${signs}” opens`)
    },
  },
]

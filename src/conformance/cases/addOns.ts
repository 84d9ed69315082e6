import assert from 'node:assert/strict'
import type { ConformanceCase } from '../case.js'
import type { ConformanceSite } from '../site.js'

const withAddOn = (site: ConformanceSite, options: object, rest: object = {}) =>
  site.baseline({
    addOns: [{ use: site.provided.archives.addOn.use, from: 'add-on.zip', ...options }],
    files: { 'add-on.zip': site.provided.archives.addOn.bytes },
    ...rest,
  })

export const addOnsCases: readonly ConformanceCase[] = [
  {
    name: 'an add-on from an archive works, rests, and goes when the file says so; shipped ones go',
    area: 'addOns',
    needs: ['addOns.use', 'addOns.active', 'addOns.new'],
    async run(site) {
      const { use } = site.provided.archives.addOn
      await site.settledForGood(withAddOn(site, {}, { shipped: { addOns: 'remove' } }))
      const { settled } = await site.settledForGood(withAddOn(site, { active: false }))
      assert.deepEqual(settled, [`addOns/${use}`])
      await site.settledForGood(site.baseline({ gone: { addOns: [use] } }))
    },
  },
  {
    name: 'whether an add-on updates itself',
    area: 'addOns',
    needs: ['addOns.updates', 'addOns.new'],
    async run(site) {
      await site.settledForGood(withAddOn(site, { updates: 'automatic' }))
      await site.settledForGood(withAddOn(site, { updates: 'by hand' }))
    },
  },
]

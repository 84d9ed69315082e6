import type { ConformanceCase } from '../case.js'

export const updatesCases: readonly ConformanceCase[] = [
  {
    name: 'which new versions are taken by themselves, and those that wait',
    area: 'updates',
    needs: ['updates.system', 'updates.themes', 'updates.waiting'],
    async run(site) {
      await site.settledForGood(
        site.baseline({ updates: { system: 'all', themes: 'automatic', addOns: 'automatic', now: true } }),
      )
      await site.settledForGood(site.baseline({ updates: { system: 'none', themes: 'by hand', addOns: 'by hand' } }))
      await site.settledForGood(site.baseline({ updates: { system: 'fixes' } }))
    },
  },
]

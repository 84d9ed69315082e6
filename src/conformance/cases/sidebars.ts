import type { ConformanceCase } from '../case.js'
import { themed } from '../plans.js'

export const sidebarsCases: readonly ConformanceCase[] = [
  {
    name: 'sidebars with exactly these parts, in their order; changed, and emptied',
    area: 'sidebars',
    needs: ['sidebars.parts', 'theme.use'],
    unless: ({ kind }) => (kind === 'content' ? 'its sidebars are columns' : undefined),
    async run(site) {
      await site.settledForGood(themed(site, { sidebars: { main: ['search', 'latest posts', 'categories'] } }))
      await site.settledForGood(
        themed(site, { sidebars: { main: ['pages', 'archives', 'latest comments', 'tags', 'search'] } }),
      )
      await site.settledForGood(themed(site, { sidebars: { main: [] } }))
    },
  },
  {
    name: 'columns with exactly these parts, texts of the owner’s among them, in their order; changed, and emptied',
    area: 'sidebars',
    needs: ['sidebars.parts'],
    unless: ({ kind }) => (kind === 'content' ? undefined : 'its sidebars are no columns'),
    async run(site) {
      const files = { 'foot.md': 'Low water at *half past nine*.\n', 'other.md': 'High water at four.\n' }
      const plan = (sidebars: object) => site.baseline({ sidebars, files })
      await site.settledForGood(
        plan({ left: ['navigation'], right: ['news', 'events'], foot: ['search', { text: 'foot.md' }] }),
      )
      await site.settledForGood(
        plan({ left: ['search', 'navigation'], foot: [{ text: 'other.md' }, { text: 'foot.md' }] }),
      )
      await site.settledForGood(plan({ left: [], right: ['events'], foot: [] }))
    },
  },
]

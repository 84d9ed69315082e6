import type { ConformanceCase } from '../case.js'
import { themed } from '../plans.js'

export const sidebarsCases: readonly ConformanceCase[] = [
  {
    name: 'sidebars with exactly these parts, in their order; changed, and emptied',
    area: 'sidebars',
    needs: ['sidebars.parts', 'theme.use'],
    async run(site) {
      await site.settledForGood(themed(site, { sidebars: { main: ['search', 'latest posts', 'categories'] } }))
      await site.settledForGood(
        themed(site, { sidebars: { main: ['pages', 'archives', 'latest comments', 'tags', 'search'] } }),
      )
      await site.settledForGood(themed(site, { sidebars: { main: [] } }))
    },
  },
]

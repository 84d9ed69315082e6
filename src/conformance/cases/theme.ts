import assert from 'node:assert/strict'
import { bare, type ConformanceCase } from '../case.js'
import { themed } from '../plans.js'

export const themeCases: readonly ConformanceCase[] = [
  {
    name: 'a theme from an archive is installed and put to use',
    area: 'theme',
    needs: ['theme.use', 'theme.active'],
    async run(site) {
      const plan = themed(site, { shipped: { theme: 'remove' } })
      const { settled } = await site.settledForGood(plan)
      assert.ok(settled.includes(`theme/${site.provided.archives.theme.use}`))
      const checks = await site.confirmed(plan)
      assert.ok(checks.some(({ name }) => name.startsWith('visitors see the theme')))
    },
  },
  {
    name: 'shipped themes go, but never the one in use',
    area: 'theme',
    needs: ['theme.use'],
    unless: ({ areas }) => ((areas.theme?.ships?.(bare, '') ?? []).length < 2 ? 'one theme ships' : undefined),
    async run(site) {
      const plan = site.baseline({ shipped: { theme: 'remove' } })
      const { settled, comparison } = await site.settledForGood(plan)
      assert.ok(settled.some((ref) => ref.startsWith('theme/')))
      assert.equal(comparison.kept.filter(({ ref }) => ref.startsWith('theme/')).length, 1)
      await site.confirmed(plan)
    },
  },
  {
    name: 'an archive that the system can’t use is told, and the theme in use stays',
    area: 'theme',
    needs: ['theme.use'],
    async run(site) {
      const plan = site.baseline({ theme: { use: 'nowhere-to-be-found' } })
      const { failed } = await site.settle(plan)
      assert.deepEqual(
        failed.map(({ ref }) => ref),
        ['theme/nowhere-to-be-found'],
      )
      assert.match(failed[0]?.text ?? '', /catalogue/)
      await site.confirmed(site.baseline())
    },
  },
]

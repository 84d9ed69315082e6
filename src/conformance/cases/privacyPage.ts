import assert from 'node:assert/strict'
import type { ConformanceCase } from '../case.js'

const pages = [{ title: 'Visit', slug: 'visit', under: [{ title: 'What we keep', slug: 'privacy', body: 'p.md' }] }]
const files = { 'p.md': 'We keep nothing but the tide tables.\n' }

export const privacyPageCases: readonly ConformanceCase[] = [
  {
    name: 'a page about privacy, below another one: visitors are led to it, and to another when the file says so',
    area: 'privacyPage',
    needs: ['privacyPage.page', 'pages.parent'],
    async run(site) {
      const plan = (privacyPage: string) => site.baseline({ pages, files, privacyPage })
      await site.settledForGood(plan('visit/privacy'))
      const checks = await site.confirmed(plan('privacy'))
      assert.ok(
        checks.some(
          ({ name, outcome }) => name === 'visitors are led to the page about privacy' && outcome === 'passed',
        ),
      )
      const { settled } = await site.settledForGood(plan('visit'))
      assert.deepEqual(settled, ['privacyPage'])
      await site.confirmed(plan('visit'))
    },
  },
]

import assert from 'node:assert/strict'
import type { ConformanceCase } from '../case.js'

const list = (...names: string[]) =>
  `<opml version="2.0"><head><title>Friends</title></head><body>${names
    .map(
      (name) =>
        `<outline text="${name}" htmlUrl="https://${name.toLowerCase()}.example/" description="A friend &amp; more"/>`,
    )
    .join('')}</body></opml>`

export const linksCases: readonly ConformanceCase[] = [
  {
    name: 'links from a list, in a category that takes over the shipped one; shipped links go',
    area: 'links',
    needs: ['links.link', 'linkCategories.name'],
    async run(site) {
      const plan = site.baseline({
        shipped: { links: 'remove' },
        links: { from: 'friends.opml', category: { name: 'Friends', slug: 'friends', replaces: 'shipped' } },
        files: { 'friends.opml': list('Ropewalk', 'Seeds') },
      })
      await site.settledForGood(plan)
      const checks = await site.confirmed(plan)
      assert.ok(checks.some(({ name, outcome }) => name === 'visitors find the links' && outcome === 'passed'))
    },
  },
]

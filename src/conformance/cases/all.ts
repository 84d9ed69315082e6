import assert from 'node:assert/strict'
import { confirm } from '../../engine/confirm.js'
import type { ConformanceCase } from '../case.js'

const files = { 'home.md': 'Low water at *half past nine*: bring boots.\n' }

export const wholeCases: readonly ConformanceCase[] = [
  {
    name: 'a settled site is confirmed as visitor and owner, and nothing is written by looking',
    area: 'all',
    needs: ['site.title', 'pages.body', 'categories.name'],
    async run(site) {
      const baseline = site.baseline({
        site: { description: 'What we found between the tides', searchEngines: 'turned away' },
        shipped: 'remove',
        files,
        categories: [{ name: 'Sightings', slug: 'sightings', replaces: 'shipped' }],
        pages: [{ title: 'Home', slug: 'home', body: 'home.md', replaces: 'shipped' }],
      })
      await site.settled(baseline)
      const before = await site.provided.writes()
      const { checks, failed } = await confirm(baseline, site.options)
      assert.equal(
        failed,
        0,
        checks
          .filter(({ ok }) => !ok)
          .map(({ name, detail }) => `${name}: ${detail}`)
          .join('\n'),
      )
      assert.ok(checks.filter(({ name }) => name.includes('screen')).length >= 8)
      assert.equal(await site.provided.writes(), before)
    },
  },
  {
    name: 'a wrong password changes nothing, and is said',
    area: 'all',
    needs: [],
    async run(site) {
      await site.settled(site.baseline())
      const { logins } = site.provided
      const right = await logins.find(site.address, 'marlow')
      const before = await site.provided.writes()
      const { Secret } = await import('../../core/secret.js')
      await logins.put(site.address, 'marlow', new Secret('not-the-password-of-anybody'))
      await assert.rejects(site.settle(site.baseline({ site: { title: 'Other' } })), { code: 'login-refused' })
      assert.equal(await site.provided.writes(), before)
      if (right) await logins.put(site.address, 'marlow', right.password)
    },
  },
]

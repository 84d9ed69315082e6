import assert from 'node:assert/strict'
import type { ConformanceCase } from '../case.js'

export const addressCases: readonly ConformanceCase[] = [
  {
    name: 'reached at one address today, found at another later: that is changed last, and the login moves along',
    area: 'address',
    needs: ['address.address'],
    async run(site) {
      const { elsewhere, logins } = site.provided
      const moving = site.baseline({ site: { address: elsewhere, reachedAt: site.address, description: 'Moved' } })
      const { settled, site: now } = await site.settled(moving)
      assert.equal(settled.at(-1), 'address')
      // where to sign in is told as it is from now on: the login moved along
      assert.equal(now.address, new URL(elsewhere).href)
      assert.ok(await logins.find(elsewhere, 'marlow'))
      const there = site.baseline({ site: { address: elsewhere, description: 'Moved' } })
      assert.equal((await site.settle(there)).writes, 0)
      await site.confirmed(there)
    },
  },
]

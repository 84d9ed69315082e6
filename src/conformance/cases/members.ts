import assert from 'node:assert/strict'
import type { ConformanceCase } from '../case.js'
import { members, raw, watchers } from '../plans.js'

export const membersCases: readonly ConformanceCase[] = [
  {
    name: 'members are made with passwords of their own, which open the site, and put into their groups',
    area: 'members',
    needs: ['members.email', 'members.groups'],
    async run(site) {
      const { settled } = await site.settledForGood(watchers(site))
      assert.ok(settled.includes('members/kelp') && settled.includes('members/limpet'))
      const find = async (name: string) =>
        (await site.provided.logins.find(site.address, name))?.password.reveal() ?? ''
      const [kelp, limpet] = [await find('kelp'), await find('limpet')]
      assert.ok(kelp && limpet && kelp !== limpet && kelp.length >= 20)
      const moved = watchers(site, raw, { members: [{ ...members[0], email: 'kelp@quay.example' }, members[1]] })
      assert.deepEqual((await site.settledForGood(moved)).settled, ['members/kelp'])
      const gone = watchers(site, raw, { members: [members[0]], gone: { members: ['limpet'] } })
      assert.deepEqual((await site.settled(gone)).settled, ['members/kelp', 'members/limpet'])
    },
  },
]

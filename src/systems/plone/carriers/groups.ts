import type { IdOf } from '../../later.js'
import type { Carrier } from '../../step.js'
import { forgetAccounts } from '../groups.js'
import { carried, gone, refusal } from '../refusal.js'
import type { PloneSession } from '../session.js'

export type GroupFields =
  | { name: string; title: string; description?: string }
  | { id: IdOf; changes: Readonly<Record<string, string>> }
  | { id: IdOf; remove: true }

/** Groups, without any right that holds for the whole site: that would open what is closed somewhere. */
export const groups: Carrier<GroupFields, PloneSession> = {
  name: 'groups',
  side: 'dashboard',
  atOnce: 1,
  async carry([load], session) {
    if (!load) return []
    forgetAccounts(session)
    if ('name' in load) {
      const { name, title, description = '' } = load
      const answer = await session.rest('POST', '@groups', { groupname: name, title, description, roles: [] })
      return [answer.status === 201 ? { id: name } : { refused: refusal(answer) }]
    }
    const place = `@groups/${encodeURIComponent(String(load.id))}`
    if ('remove' in load) return [gone(await session.rest('DELETE', place))]
    return [carried(await session.rest('PATCH', place, load.changes))]
  },
}

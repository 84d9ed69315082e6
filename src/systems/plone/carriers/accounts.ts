import type { IdOf, Resolved, SecretOf } from '../../later.js'
import type { Carried, Carrier } from '../../step.js'
import { forgetAccounts } from '../groups.js'
import { carried, gone, refusal } from '../refusal.js'
import type { PloneSession } from '../session.js'

export type AccountFields =
  | { username: string; email?: string; fullname?: string; password: SecretOf }
  | { id: IdOf; changes: Readonly<Record<string, string>> }
  | { id: IdOf; remove: true }

/** Accounts of the site: one a request. */
export const accounts: Carrier<AccountFields, PloneSession> = {
  name: 'accounts',
  side: 'dashboard',
  atOnce: 1,
  async carry([load], session) {
    if (!load) return []
    const outcome = await send(load, session)
    forgetAccounts(session, 'id' in load ? String(load.id) : load.username)
    return [outcome]
  },
}

async function send(load: Resolved<AccountFields>, session: PloneSession): Promise<Carried> {
  if ('remove' in load) {
    return gone(await session.rest('DELETE', `@users/${encodeURIComponent(String(load.id))}?delete_memberareas=0`))
  }
  if ('changes' in load)
    return carried(await session.rest('PATCH', `@users/${encodeURIComponent(String(load.id))}`, load.changes))
  const { username, email = '', fullname = '', password } = load
  const answer = await session.rest('POST', '@users', { username, email, fullname, password, roles: ['Member'] })
  return answer.status === 201 ? { id: username } : { refused: refusal(answer) }
}

/** Who is in which group: a request a group. */
export const memberships: Carrier<{ group: IdOf; member: IdOf; isIn: boolean }, PloneSession> = {
  name: 'members of groups',
  side: 'dashboard',
  atOnce: Infinity,
  async carry(loads, session) {
    const outcomes = new Map<string, Carried>()
    for (const group of new Set(loads.map((load) => String(load.group)))) {
      const users = Object.fromEntries(
        loads.flatMap((load) => (String(load.group) === group ? [[String(load.member), load.isIn]] : [])),
      )
      outcomes.set(group, carried(await session.rest('PATCH', `@groups/${encodeURIComponent(group)}`, { users })))
    }
    forgetAccounts(session, ...loads.map(({ member }) => String(member)))
    return loads.map(({ group }) => outcomes.get(String(group)) ?? {})
  },
}

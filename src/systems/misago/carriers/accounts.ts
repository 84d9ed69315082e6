import { Secret } from '../../../core/secret.js'
import type { Id } from '../../../core/area.js'
import type { IdOf, SecretOf } from '../../later.js'
import type { Carried, Carrier } from '../../step.js'
import type { Changes, MisagoSession } from '../session.js'
import { MEMBER, rolesIn, usualRank, rolesOf } from '../roles.js'
import { logIn } from '../sign-in.js'
import type { Form } from '../../../web/forms.js'

function stale(session: MisagoSession, id: string): void {
  session.shelf.forget(`users/edit/${id}/ form`, 'page', ...session.lists)
}

/** Adds roles to those that an account has, and takes others away. */
export async function giveRoles(
  session: MisagoSession,
  id: Id,
  roles: readonly Id[],
  more: Changes = {},
  leaves: readonly Id[] = [],
): Promise<Carried> {
  const place = `users/edit/${id}/`
  const away = leaves.map(String)
  const all = [...rolesIn(await session.form(place)), ...roles].map(String).filter((role) => !away.includes(role))
  const outcome = await session.send(place, { ...more, roles: [...new Set(all)] })
  stale(session, String(id))
  return outcome
}

/** A new account: a plain member, since one made with further roles would share the rights of others for good. */
export const newAccounts: Carrier<{ username: string; email: string; password: SecretOf }, MisagoSession> = {
  name: 'new accounts',
  side: 'dashboard',
  atOnce: 1,
  async carry([load], session) {
    if (!load) return []
    const { username, email, password } = load
    const rank = String(await usualRank(session))
    const changes = { username, email, new_password: password, rank, roles: [String(MEMBER)] }
    const { refused, location } = await session.send('users/new/', changes, 'blank')
    stale(session, '')
    if (refused !== undefined) return [{ refused }]
    return [{ id: Number(/\/edit\/(\d+)\//.exec(location ?? '')?.[1]) }]
  },
}

/** An account that is there: its address, and roles that are added to those it has. */
export const accounts: Carrier<
  { id: IdOf; email?: string; roles: readonly IdOf[]; leaves: readonly IdOf[] },
  MisagoSession
> = {
  name: 'accounts',
  side: 'dashboard',
  atOnce: 1,
  async carry([load], session) {
    if (!load) return []
    const { id, email, roles, leaves } = load
    const { refused } = await giveRoles(session, id, roles, email === undefined ? {} : { email }, leaves)
    return [refused === undefined ? {} : { refused }]
  },
}

/** The owner's own account. A new name or password is tried in a session of its own before it counts. */
export const ownerAccount: Carrier<
  { id: number; username: string; email?: string; password?: SecretOf },
  MisagoSession
> = {
  name: 'profile',
  side: 'dashboard',
  atOnce: 1,
  async carry([load], session) {
    if (!load) return []
    const { id, username, email, password } = load
    const changes: Changes = {
      username,
      ...(email !== undefined && { email }),
      ...(password !== undefined && { new_password: password }),
    }
    const { refused } = await session.send(`users/edit/${id}/`, changes)
    stale(session, String(id))
    if (refused !== undefined) return [{ refused }]
    const login = { username, password: password === undefined ? session.login.password : new Secret(password) }
    const visitor = session.visitor.another()
    if (!(await logIn(visitor, login)))
      return [{ refused: 'the new login did not open the site; both are in the logins file' }]
    session.become(login, visitor)
    return [{}]
  },
}

/** Opens accounts that wait to be activated. */
export const activated: Carrier<{ id: IdOf }, MisagoSession> = {
  name: 'accounts to open',
  side: 'dashboard',
  atOnce: Infinity,
  async carry(loads, session) {
    const answer = await session.mass(
      'users/',
      'activate',
      loads.map(({ id }) => String(id)),
    )
    stale(session, '')
    return loads.map(() => answer)
  },
}

/** Removes accounts; what they wrote stays. */
export const goneAccounts: Carrier<{ id: IdOf }, MisagoSession> = {
  name: 'accounts that go',
  side: 'dashboard',
  atOnce: Infinity,
  async carry(loads, session) {
    const answer = await session.mass(
      'users/',
      'delete_accounts',
      loads.map(({ id }) => String(id)),
    )
    stale(session, '')
    return loads.map(() => answer)
  },
}

export interface AccountAgain {
  id: IdOf
  /** What its form held. */
  pairs: Form['pairs']
  /** Its roles, by their names. */
  roles: readonly string[]
}

/** An account that was made again: everything that its form held but names and password. */
export const accountAgain: Carrier<AccountAgain, MisagoSession> = {
  name: 'accounts as they were',
  side: 'dashboard',
  atOnce: 1,
  async carry([load], session) {
    if (!load) return []
    const { id, pairs, roles } = load
    const own = (await rolesOf(session)).filter(({ name }) => roles.includes(name)).map((role) => String(role.id))
    const kept = pairs.filter(([name = '']) => !['new_password', 'username', 'email'].includes(name))
    const changes: Record<string, string[]> = {}
    for (const [name = '', value = ''] of kept) changes[name] = [...(changes[name] ?? []), value]
    const place = `users/edit/${id}/`
    const { refused } = await session.send(place, { ...changes, roles: own })
    stale(session, String(id))
    return [refused === undefined ? {} : { refused }]
  },
}

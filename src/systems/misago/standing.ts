import { type Action } from '../../core/access/who.js'
import { ADMINISTRATORS, GUEST, givenTo, MEMBER, MODERATOR, ownAccount, rolesOf, setsOf, type Named } from './roles.js'
import { pageOf } from './page.js'
import type { Rights } from './rights.js'
import type { MisagoSession } from './session.js'

/** Everything that says who may do what in categories. */
export interface Standing {
  roles: Named[]
  /** The set of rights that a role has in a category. */
  given: ReadonlyMap<number, ReadonlyMap<number, number>>
  sets: ReadonlyMap<number, Rights>
  owner: { id: number; roles: readonly number[] }
  closed: ReadonlySet<number>
}

/** Reads it: roles, what each is given, and what that means. */
export async function standing(session: MisagoSession): Promise<Standing> {
  const [roles, owner, page] = await Promise.all([rolesOf(session), ownAccount(session), pageOf(session)])
  const given = new Map(await Promise.all(roles.map(async ({ id }) => [id, await givenTo(session, id)] as const)))
  const used = new Set([...given.values()].flatMap((categories) => [...categories.values()]))
  const sets = await setsOf(session, used)
  const closed = new Set(page.CATEGORIES.flatMap(({ id, is_closed }) => (is_closed ? [id] : [])))
  return { roles, given, sets, owner, closed }
}

const writing: readonly Action[] = ['start', 'reply']

/** What some roles together may do in a category. */
export function mayOf({ given, sets, closed }: Standing, roles: readonly number[], category: number): Set<Action> {
  const own = roles.flatMap((role) => sets.get(given.get(role)?.get(category) ?? 0) ?? [])
  const evenClosed = own.some((rights) => rights.evenClosed)
  const may = new Set(own.flatMap((rights) => [...rights.may]))
  if (closed.has(category) && !evenClosed) for (const action of writing) may.delete(action)
  if (may.has('read') && roles.some((role) => role !== GUEST)) may.add('vote')
  return may
}

/** Whose roles stand for whom: everybody who is signed in is a member too. */
export function subjects(here: Standing, planned: readonly string[]): { name: string; roles: readonly number[] }[] {
  const special = [GUEST, MEMBER, MODERATOR]
  const groups = here.roles.filter(({ id, name }) => !special.includes(id) && name !== ADMINISTRATORS)
  return [
    { name: 'everyone', roles: [GUEST] },
    { name: 'members', roles: [MEMBER] },
    // the system's own roles and somebody's count as groups where they let anybody in
    ...groups
      .filter(({ id, name }) => planned.includes(name) || (here.given.get(id)?.size ?? 0) > 0)
      .map(({ id, name }) => ({ name, roles: [MEMBER, id] })),
    { name: 'moderators', roles: [MEMBER, MODERATOR] },
    { name: 'administrators', roles: here.owner.roles },
  ]
}

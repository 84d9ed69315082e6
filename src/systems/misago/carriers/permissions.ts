import type { IdOf, Resolved } from '../../later.js'
import type { Carried, Carrier } from '../../step.js'
import { lackingSets, needsOwnRole, roleForms, type Wanted } from '../permission-plan.js'
import { ADMINISTRATORS, GUEST, listed, rolesOf } from '../roles.js'
import type { MisagoSession } from '../session.js'
import { standing, type Standing } from '../standing.js'
import { giveRoles } from './accounts.js'

export type Permission = Omit<Wanted, 'category'> & { category: IdOf }

/**
 * Who may do what in categories. What is missing is made first: a role for administrators, and sets of rights. Then one form a
 * role carries all categories.
 */
export const permissions: Carrier<Permission, MisagoSession> = {
  name: 'permissions',
  side: 'dashboard',
  atOnce: Infinity,
  async carry(loads, session) {
    const all: readonly Wanted[] = loads satisfies readonly Resolved<Permission>[]
    // groups may have been made since
    const here = await standing(session)
    try {
      const own = needsOwnRole(here, all) ? await ownRole(session, here) : undefined
      const forms = roleForms(here, all, own, await makeSets(session, here, all))
      for (const [role, fields] of forms) taken(await session.send(`permissions/categories/${role}/`, fields, 'anew'))
      // nothing to change, and yet rights that are kept for others may have to be forgotten
      if (forms.length === 0) await session.send(`permissions/categories/${GUEST}/`, {}, 'anew')
    } catch (error) {
      if (!(error instanceof Refused)) throw error
      return loads.map((): Carried => ({ refused: error.message }))
    } finally {
      session.shelf.forget('page')
    }
    return loads.map(() => ({}))
  },
}

class Refused extends Error {}
const taken = ({ refused }: Carried): void => {
  if (refused !== undefined) throw new Refused(refused)
}

/** The role of administrators, made where there is none, and given to the owner. */
async function ownRole(session: MisagoSession, here: Standing): Promise<number> {
  const known = here.roles.find(({ name }) => name === ADMINISTRATORS)?.id
  if (known === undefined) {
    taken(await session.send('permissions/new/', { name: ADMINISTRATORS }, 'blank'))
    session.shelf.forget('permissions/')
    here.roles = await rolesOf(session)
  }
  const role = known ?? here.roles.find(({ name }) => name === ADMINISTRATORS)?.id ?? 0
  if (!here.owner.roles.includes(role)) taken(await giveRoles(session, here.owner.id, [role]))
  return role
}

/** Makes the sets of rights that are lacking; gives the numbers of all by their names. */
async function makeSets(
  session: MisagoSession,
  here: Standing,
  all: readonly Wanted[],
): Promise<ReadonlyMap<string, number>> {
  const lacking = lackingSets(here, all)
  if (lacking.length === 0) return new Map()
  for (const fields of lacking) taken(await session.send('permissions/categories/new/', fields, 'blank'))
  session.shelf.forget('permissions/categories/')
  return new Map((await listed(session, 'permissions/categories/')).map(({ id, name }) => [name, id]))
}

/** Saves a form of permissions as it is: this makes the system forget the rights that it keeps for everybody. */
export const saveAgain: Carrier<{ role: number }, MisagoSession> = {
  name: 'permissions, saved again',
  side: 'dashboard',
  atOnce: 1,
  async carry([load], session) {
    if (!load) return []
    const { refused } = await session.send(`permissions/categories/${load.role}/`, {}, 'anew')
    session.shelf.forget('page')
    return [refused === undefined ? {} : { refused }]
  },
}

import type { IdOf } from '../../later.js'
import type { Carrier } from '../../step.js'
import { listed, rolesOf } from '../roles.js'
import type { MisagoSession } from '../session.js'

export interface RightsAgain {
  category: IdOf
  /** Sets of rights by the roles that have them, both by their names. */
  given: readonly { role: string; set: string }[]
}

/** Gives roles the sets of rights that they had in a category which was made again. */
export const rightsAgain: Carrier<RightsAgain, MisagoSession> = {
  name: 'rights in categories',
  side: 'dashboard',
  atOnce: 1,
  async carry([load], session) {
    if (!load) return []
    const [roles, sets] = await Promise.all([rolesOf(session), listed(session, 'permissions/categories/')])
    for (const { role, set } of load.given) {
      const [who, what] = [roles.find(({ name }) => name === role), sets.find(({ name }) => name === set)]
      if (!who || !what) return [{ refused: `“${role}” or its rights “${set}” are not there any more` }]
      const changes = { [`${load.category}-role`]: String(what.id) }
      const { refused } = await session.send(`permissions/categories/${who.id}/`, changes, 'anew')
      if (refused !== undefined) return [{ refused }]
    }
    session.shelf.forget('page')
    return [{}]
  },
}

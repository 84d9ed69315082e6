import { z } from 'zod'
import { idOf } from '../../later.js'
import { Step } from '../../step.js'
import type { AreaOnSystem } from '../../area-on-system.js'
import { goneRoles, newRoles } from '../carriers/groups.js'
import { ADMINISTRATORS, rolesOf } from '../roles.js'
import type { MisagoSession } from '../session.js'

/** How many roles the system is set up with: they have the first numbers. */
const SHIPPED_ROLES = 9

/** A group is a role beside the system's own: whoever has it has its rights. */
export const groups: AreaOnSystem<'groups', MisagoSession> = {
  keys: ['name'],
  can: { description: { never: 'a role has no description here' } },
  async read(session, { gone }) {
    const roles = await rolesOf(session)
    const own = roles.filter(({ id, name }) => id > SHIPPED_ROLES && name !== ADMINISTRATORS)
    return Promise.all(
      own.map(async ({ id, name }) => {
        const copy = gone.groups?.includes(name) ? (await session.form(`permissions/edit/${id}/`)).fields : { name }
        return { id, item: { name }, copy }
      }),
    )
  },
  translate: (differences) =>
    differences.flatMap((difference): Step[] => {
      const proves = [difference]
      if (difference.is === 'left over') return [Step.of(goneRoles, { id: idOf(difference.ref) }, { proves })]
      if (difference.is === 'different') return []
      const fields = { name: difference.wanted.name }
      return [Step.of(newRoles, { kind: 'role', fields }, { proves, gives: difference.ref })]
    }),
  /** With all its rights. */
  again({ ref, copy }) {
    const { csrfmiddlewaretoken: _token, ...fields } = z.record(z.string(), z.string()).parse(copy)
    return Step.of(newRoles, { kind: 'role', fields }, { proves: [], gives: ref })
  },
}

import { idOf, Step, type AreaOnSystem, type Carrier, valuesToSend } from 'unpack'
import type { ItemFields } from '../carriers/items.js'
import type { StandInSession } from '../session.js'

const room = 'groups'

/** Groups of members: a list, and a form for each. @param items what sends that form */
export const groupsBy = (
  items: Carrier<ItemFields<typeof room>, StandInSession>,
): AreaOnSystem<'groups', StandInSession> => ({
  keys: ['name', 'description'],
  async read(session) {
    const rows = await session.rows(room)
    return rows.map(({ id, cells, data }) => {
      const item = { name: cells[0] ?? '', description: data.description ?? '' }
      return { id, item, copy: item }
    })
  },
  translate: (differences) =>
    differences.map((difference) => {
      const proves = [difference]
      const id = idOf(difference.ref)
      if (difference.is === 'left over') return Step.of(items, { room, id, remove: true }, { proves })
      const { name, description } = valuesToSend(difference)
      const which = difference.is === 'different' ? { id: idOf(difference.found.ref) } : {}
      const fields = { ...(name !== undefined && { name }), ...(description !== undefined && { description }) }
      return Step.of(items, { room, ...which, fields }, { proves, gives: difference.ref })
    }),
})

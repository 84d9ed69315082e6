import { idOf, Step, type AreaOnSystem } from 'unpack'
import type { StandInSession } from '../../../common/adapter/session.js'
import { items } from '../carriers/forms.js'

const room = 'groups'

export const groups: AreaOnSystem<'groups', StandInSession> = {
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
      const { name, description } = difference.wanted
      const which = difference.is === 'different' ? { id: idOf(difference.found.ref) } : {}
      const fields = { name, ...(description !== undefined && { description }) }
      return Step.of(items, { room, ...which, fields }, { proves, gives: difference.ref })
    }),
}

import type { AreaOnSystem } from 'unpack'
import type { StandInSession } from '../session.js'

export const menus: AreaOnSystem<'menus', StandInSession> = {
  async read(session) {
    const rows = await session.rows('menus')
    return rows.map(({ id, data }) => ({ id, item: { name: data.name ?? '' } }))
  },
}

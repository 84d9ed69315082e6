import type { AreaOnSystem } from 'unpack'
import type { StandInSession } from '../session.js'

export const tags: AreaOnSystem<'tags', StandInSession> = {
  async read(session) {
    const rows = await session.rows('tags')
    return rows.map(({ id, data }) => ({ id, item: { name: data.name ?? '', slug: data.name ?? '' } }))
  },
}

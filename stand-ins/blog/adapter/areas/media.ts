import type { AreaOnSystem } from 'unpack'
import type { StandInSession } from '../session.js'

export const media: AreaOnSystem<'media', StandInSession> = {
  async read(session) {
    const rows = await session.rows('uploads')
    return rows.map(({ id, data }) => ({ id, item: { name: data.name ?? '' } }))
  },
}

import type { AreaOnSystem } from 'unpack'
import type { StandInSession } from '../session.js'

export const members: AreaOnSystem<'members', StandInSession> = {
  async read(session) {
    const rows = await session.rows('accounts')
    return rows
      .filter(({ data }) => data.name !== session.login.username)
      .map(({ id, data }) => ({ id, item: { username: data.name ?? '' } }))
  },
}

import type { AreaOnSystem } from '../../system.js'
import { usersOf } from '../items.js'
import type { WordPressSession } from '../session.js'

export const members: AreaOnSystem<'members', WordPressSession> = {
  async read(session) {
    const users = await usersOf(session)
    return users
      .filter(({ username }) => username !== session.login.username)
      .map(({ id, username }) => ({ id, item: { username } }))
  },
}

import { Secret, type Carrier, type SecretOf } from 'unpack'
import type { StandInSession } from '../session.js'

/** The account at work. A new name or password is tried in a session of its own before it counts. */
export const profile: Carrier<Readonly<Record<string, string | SecretOf>>, StandInSession> = {
  name: 'profile',
  side: 'dashboard',
  atOnce: Infinity,
  async carry(loads, session) {
    const changes = Object.assign({}, ...loads) as Record<string, string>
    const outcome = await session.send('profile', { changes })
    session.shelf.forget('accounts')
    if (outcome.refused !== undefined || (changes.password ?? changes.username) === undefined)
      return loads.map(() => outcome)
    const { username = session.login.username } = changes
    const password = changes.password === undefined ? session.login.password : new Secret(changes.password)
    const refused = 'the new login did not open the site; both are in the logins file'
    const opens = await session.become({ username, password })
    return loads.map(() => (opens ? {} : { refused }))
  },
}

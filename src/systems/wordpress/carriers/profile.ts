import { Secret } from '../../../core/secret.js'
import { jsonOf } from '../../../web/answer.js'
import type { SecretOf } from '../../later.js'
import type { Carrier } from '../../step.js'
import { refusal, type WordPressSession } from '../session.js'
import { logIn } from '../sign-in.js'

export interface ProfileFields {
  first_name?: string
  last_name?: string
  name?: string
  email?: string
  password?: SecretOf
}

/** The owner's own account. A new password is tried in a session of its own before it counts. */
export const profile: Carrier<ProfileFields, WordPressSession> = {
  name: 'profile',
  side: 'dashboard',
  atOnce: Infinity,
  async carry(loads, session) {
    const fields = Object.assign({}, ...loads) as (typeof loads)[number]
    const answer = await session.rest('POST', '/wp/v2/users/me', '', fields)
    session.shelf.forget('users')
    if (answer.status !== 200) return loads.map(() => ({ refused: refusal(answer.status, jsonOf(answer)) }))
    if (fields.password === undefined) return loads.map(() => ({}))
    const login = { username: session.login.username, password: new Secret(fields.password) }
    const visitor = session.visitor.another()
    if (!(await logIn(visitor, login)))
      return loads.map(() => ({ refused: 'the new password did not open the site; both are in the logins file' }))
    session.become(login, visitor)
    return loads.map(() => ({}))
  },
}

import { jsonOf } from '../../../web/answer.js'
import type { Carrier } from '../../step.js'
import { refusal, type WordPressSession } from '../session.js'

export interface ProfileFields {
  first_name?: string
  last_name?: string
  name?: string
  email?: string
}

/** The owner's own account. */
export const profile: Carrier<ProfileFields, WordPressSession> = {
  name: 'profile',
  side: 'dashboard',
  atOnce: Infinity,
  async carry(loads, session) {
    const answer = await session.rest('POST', '/wp/v2/users/me', '', Object.assign({}, ...loads))
    session.shelf.forget('users')
    return loads.map(() => (answer.status === 200 ? {} : { refused: refusal(answer.status, jsonOf(answer)) }))
  },
}

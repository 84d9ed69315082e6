import { z } from 'zod'
import { Secret } from '../../../core/secret.js'
import { jsonOf } from '../../../web/answer.js'
import type { IdOf, SecretOf } from '../../later.js'
import type { Carrier } from '../../step.js'
import { refusal, type WordPressSession } from '../session.js'
import { logIn } from '../sign-in.js'

export type AccountFields =
  | { username: string; email: string; name: string; first_name: string; last_name: string; password: SecretOf }
  | { remove: IdOf; heir: IdOf }
  | { again: Readonly<Record<string, string | SecretOf | readonly string[]>> }

const made = z.object({ id: z.number() })

/**
 * Accounts beside the one that is signed in. A new owner's is tried in a session of its own, and only then takes the place of
 * the one at work; one that goes hands over what it made.
 */
export const accounts: Carrier<AccountFields, WordPressSession> = {
  name: 'accounts',
  side: 'dashboard',
  atOnce: 1,
  async carry([load], session) {
    if (!load) return []
    session.shelf.forget('users', 'posts', 'pages', 'media')
    if ('remove' in load) {
      const answer = await session.rest(
        'DELETE',
        `/wp/v2/users/${load.remove}`,
        `force=true&reassign=${String(load.heir)}`,
      )
      return [answer.status === 200 ? {} : { refused: refusal(answer.status, jsonOf(answer)) }]
    }
    if ('again' in load) {
      const answer = await session.rest('POST', '/wp/v2/users', '', load.again)
      const read = made.safeParse(jsonOf(answer)).data
      return [answer.status === 201 ? { id: read?.id } : { refused: refusal(answer.status, jsonOf(answer)) }]
    }
    const answer = await session.rest('POST', '/wp/v2/users', '', { ...load, roles: ['administrator'] })
    const code = refusal(answer.status, jsonOf(answer))
    // of an earlier run that was stopped behind its making: the stored login tells whether it is ours
    if (answer.status !== 201 && code !== 'existing_user_login') return [{ refused: code }]
    const login = { username: load.username, password: new Secret(load.password) }
    const visitor = session.visitor.another()
    if (!(await logIn(visitor, login)))
      return [{ refused: 'the new account did not open the site; the old one is kept' }]
    session.become(login, visitor)
    return [{ id: made.safeParse(jsonOf(answer)).data?.id }]
  },
}

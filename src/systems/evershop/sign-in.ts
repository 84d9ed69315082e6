import { z } from 'zod'
import { UnpackError } from '../../core/errors.js'
import { secondsToWait } from '../../web/asked-to-wait.js'
import { jsonOf } from '../../web/answer.js'
import type { Visitor } from '../../web/visitor.js'
import type { Login } from '../session.js'

const opened = z.object({ data: z.object({ sid: z.string() }) })

/** The dashboard's cookie. */
export const COOKIE = 'asid'

/** People sign in with their e-mail address here: there are no user names. */
const addressOf = ({ username, email }: Login): string | undefined => (username.includes('@') ? username : email)

/** Signs in at the dashboard; its cookie counts for the interface as well. */
export async function enter(visitor: Visitor, login: Login): Promise<boolean> {
  const email = addressOf(login)
  if (email === undefined) return false
  const json = { email, password: login.password.reveal() }
  const answer = await visitor.ask('admin/user/login', { method: 'POST', json, purpose: 'log-in' })
  if (answer.status === 429) {
    const minutes = Math.ceil((secondsToWait(answer.headers) ?? 900) / 60)
    throw UnpackError.of('sign-in-waits', { address: visitor.home, minutes })
  }
  return answer.status === 200 && opened.safeParse(jsonOf(answer)).success
}

export const leave = (visitor: Visitor): Promise<unknown> =>
  visitor.ask('admin/user/logout', { method: 'GET', purpose: 'log-in', follow: false })

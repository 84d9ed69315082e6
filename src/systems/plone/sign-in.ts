import { z } from 'zod'
import { documentOf } from '../../web/reading.js'
import type { Visitor } from '../../web/visitor.js'
import type { Login } from '../session.js'

/** Who asks, said with every request (RFC 7617): nothing is kept in a cookie. */
export const basic = ({ username, password }: Login): { authorization: string } => ({
  authorization: `Basic ${Buffer.from(`${username}:${password.reveal()}`).toString('base64')}`,
})

const system = z.object({ plone_version: z.string() })

/** Tries a login: who may see which version it is may manage the site. `undefined` if it is refused. */
export async function versionFor(visitor: Visitor, login: Login): Promise<string | undefined> {
  const headers = { ...basic(login), accept: 'application/json' }
  const answer = await visitor.ask('@system', { method: 'GET', headers, purpose: 'log-in' })
  if (answer.status === 401 || answer.status === 403) return undefined
  return documentOf(answer, system, 'the version').plone_version
}

/** Signs a member in on the public side, by the form that everybody uses. */
export async function enter(visitor: Visitor, { username, password }: Login): Promise<boolean> {
  const fields = { __ac_name: username, __ac_password: password.reveal(), 'buttons.login': 'Log in', came_from: '' }
  const answer = await visitor.post('login', fields, { purpose: 'log-in' })
  return answer.status === 302
}
export const leave = (visitor: Visitor): Promise<unknown> => visitor.get('logout', { purpose: 'log-in', follow: false })

import { UnpackError } from '../../core/errors.js'
import { formOn, has } from '../../web/forms.js'
import type { Visitor } from '../../web/visitor.js'
import type { Login } from '../session.js'

const LOGIN_FORM = 'form.login-form-container'
/** Whether a screen of the dashboard asks to sign in. Taking it apart costs more than looking for the word first. */
export const asksToSignIn = (html: string): boolean => html.includes('login-form-container') && has(html, LOGIN_FORM)

/** Signs in at the dashboard, which has a log-in of its own and opens the public side as well. */
export async function logIn(visitor: Visitor, { username, password }: Login): Promise<boolean> {
  const page = await visitor.get('admincp/', { purpose: 'log-in' })
  const form = formOn(page.text, LOGIN_FORM)
  if (!form)
    throw UnpackError.of('screen-unexpected', { url: page.url, wanted: 'the log-in form' }, { page: page.text })
  const fields = { ...form.fields, username, password: password.reveal() }
  const answer = await visitor.post('admincp/', fields, { purpose: 'log-in' })
  return answer.status === 302
}

/** The token that every request that changes something has to say back. */
export async function tokenOf(visitor: Visitor): Promise<{ 'x-csrftoken': string; referer: string }> {
  let token = await visitor.cookie('csrftoken')
  if (token === undefined) {
    await visitor.get('')
    token = await visitor.cookie('csrftoken')
  }
  return { 'x-csrftoken': token ?? '', referer: visitor.home }
}

/** Signs in on the public side, as any member does. */
export async function enter(visitor: Visitor, { username, password }: Login): Promise<boolean> {
  const answer = await visitor.ask('api/auth/', {
    method: 'POST',
    json: { username, password: password.reveal() },
    headers: await tokenOf(visitor),
    purpose: 'log-in',
  })
  return answer.status === 200
}

/** Signs out, on the public side and at the dashboard. */
export const leave = async (visitor: Visitor): Promise<unknown> =>
  visitor.ask('logout/', { method: 'POST', headers: await tokenOf(visitor), purpose: 'log-in' })

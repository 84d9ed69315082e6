import { UnpackError } from '../../core/errors.js'
import { has } from '../../web/forms.js'
import type { Visitor } from '../../web/visitor.js'
import type { Login } from '../session.js'

/** Fills the log-in form. No look at it is needed first as long as its test of cookies is left out. */
export async function logIn(visitor: Visitor, { username, password }: Login): Promise<boolean> {
  const answer = await visitor.post(
    'wp-login.php',
    { log: username, pwd: password.reveal(), 'wp-submit': '1' },
    { purpose: 'log-in' },
  )
  // neither in nor refused: it wants a code, or a puzzle solved
  if (answer.status === 200 && !has(answer.text, '#login_error'))
    throw UnpackError.of('sign-in-challenge', { address: visitor.home })
  // a question whether the e-mail address is still right is a success too
  return answer.status === 302 && !has(answer.text, '#login_error')
}

import { Secret } from '../../../core/secret.js'
import { formIn } from '../../../web/reading.js'
import type { SecretOf } from '../../later.js'
import type { Carried, Carrier } from '../../step.js'
import { serverAs, sitesOn } from '../keeper.js'
import type { PloneSession } from '../session.js'

const PLACE = 'acl_users/users/manage_users'
const FORM = 'form[action=manage_updateUserPassword]'
const fields = ['user_id', 'password', 'confirm', '_authenticator']

/** The password of whoever looks after the server: a form of the server's own. It is tried before it counts. */
export const keeper: Carrier<{ renew: SecretOf }, PloneSession> = {
  name: 'the login for the server',
  side: 'dashboard',
  atOnce: 1,
  async carry([load], session) {
    return load ? [await renew(session, new Secret(load.renew))] : []
  },
}

async function renew(session: PloneSession, next: Secret): Promise<Carried> {
  const { keeper: old } = session
  if (!old) return { refused: 'there is no login for the server' }
  const renewed = { username: old.username, password: next }
  // of a run that was stopped behind its sending
  if (!(await sitesOn(serverAs(session, renewed)))) {
    const server = serverAs(session, old)
    const asked = await server.get(`${PLACE}?user_id=${encodeURIComponent(old.username)}&passwd=1`)
    const form = formIn(asked, { has: FORM, form: FORM, fields, wanted: 'the form for a new password' })
    if (form.fields.user_id !== old.username) return { refused: 'the form was for somebody else' }
    const password = next.reveal()
    // where the answer is lost, either may be the right one
    session.keeper = { ...old, next }
    await server.post('acl_users/users/manage_updateUserPassword', { ...form.fields, password, confirm: password })
    if (!(await sitesOn(serverAs(session, renewed))))
      return { refused: 'the new password did not open the server; both are in the logins file' }
  }
  session.keeper = { ...renewed, renewed: true }
  if (session.login.username === old.username) session.become({ ...session.login, ...renewed, temporary: undefined })
  return {}
}

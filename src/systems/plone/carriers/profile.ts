import { Secret } from '../../../core/secret.js'
import type { Resolved, SecretOf } from '../../later.js'
import type { Carried, Carrier } from '../../step.js'
import { forgetAccounts, userOf } from '../groups.js'
import { carried, refusal } from '../refusal.js'
import { versionFor } from '../sign-in.js'
import type { PloneSession } from '../session.js'

export type ProfileFields =
  | { make: { username: string; email: string; fullname: string; password: SecretOf } }
  | { changes: Readonly<Record<string, string>> }
  | { renew: SecretOf }

/** The owner's own account. A new login, or a new password, is tried in a session of its own before it counts. */
export const profile: Carrier<ProfileFields, PloneSession> = {
  name: 'profile',
  side: 'dashboard',
  atOnce: 1,
  async carry([load], session) {
    if (!load) return []
    const outcome = await send(load, session)
    forgetAccounts(session, session.login.username)
    return [outcome]
  },
}

async function send(load: Resolved<ProfileFields>, session: PloneSession): Promise<Carried> {
  const me = session.login.username
  if ('changes' in load) return carried(await session.rest('PATCH', `@users/${encodeURIComponent(me)}`, load.changes))
  if ('renew' in load) {
    const place = `@users/${encodeURIComponent(me)}/reset-password`
    const secrets = { old_password: session.login.password.reveal(), new_password: load.renew }
    const answer = await session.rest('POST', place, secrets)
    return answer.status === 200 ? goOnAs(session, me, load.renew) : { refused: refusal(answer) }
  }
  const { username, email, fullname, password } = load.make
  const answer = await session.rest('POST', '@users', { username, email, fullname, password, roles: ['Manager'] })
  // of a run that was stopped in between: the account stands there, and its stored login has to open the site
  if (answer.status !== 201 && !(await userOf(session, username).catch(() => undefined)))
    return { refused: refusal(answer) }
  return goOnAs(session, username, password)
}

async function goOnAs(session: PloneSession, username: string, password: string): Promise<Carried> {
  const login = { username, password: new Secret(password) }
  if ((await versionFor(session.visitor.another(), login)) === undefined)
    return { refused: 'the new login did not open the site; both are in the logins file' }
  session.become(login)
  return { id: username }
}

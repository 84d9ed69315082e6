import { Secret, type Carrier, type IdOf, type SecretOf } from 'unpack'
import type { StandInSession } from '../../../common/adapter/session.js'

export type AccountFields =
  | { username: string; email: string; password: SecretOf; names: Readonly<Record<string, string>> }
  | { remove: IdOf; heir: IdOf }

/** Accounts beside the one at work: a new owner's is tried in a session of its own, one that goes hands over what it made. */
export const accounts: Carrier<AccountFields, StandInSession> = {
  name: 'accounts',
  side: 'dashboard',
  atOnce: 1,
  async carry([load], session) {
    if (!load) return []
    session.shelf.forget('accounts', 'posts', 'pages', 'profile form#edit')
    if ('remove' in load)
      return [
        await session.send(`accounts/${load.remove}`, {
          form: 'remove',
          to: `accounts/${load.remove}/remove`,
          changes: { heir: String(load.heir) },
        }),
      ]
    const { username, email, password, names } = load
    const outcome = await session.send('accounts/new', { changes: { username, email, password } })
    // of an earlier run that was stopped behind its making: the stored login tells whether it is ours
    const opens = await session.become({ username, password: new Secret(password) })
    if (!opens) return [{ refused: outcome.refused ?? 'the new account did not open the site; the old one is kept' }]
    await session.send('profile', { changes: names })
    const me = (await session.screen('profile'))('#me').attr('data-id')
    return [{ id: Number(me) }]
  },
}

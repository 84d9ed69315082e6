import { Secret, type Carrier, type SecretOf } from 'unpack'
import type { StandInSession } from '../../../common/adapter/session.js'

export interface OwnerFields {
  username: string
  email: string
  password: SecretOf
  names: Readonly<Record<string, string>>
}

/** The owner's own account beside the login for the server: it manages the site, and is tried in a session of its own. */
export const newOwner: Carrier<OwnerFields, StandInSession> = {
  name: 'the owner’s account',
  side: 'dashboard',
  atOnce: 1,
  async carry([load], session) {
    if (!load) return []
    const { username, email, password, names } = load
    const outcome = await session.send('accounts/new', { changes: { username, email, password, manages: '1' } })
    // of an earlier run that was stopped behind its making: the stored login tells whether it is ours
    const opens = await session.become({ username, password: new Secret(password) })
    if (!opens) return [{ refused: outcome.refused ?? 'the new account did not open the site; the old one is kept' }]
    session.shelf.forget('accounts', 'profile form#edit')
    await session.send('profile', { changes: names })
    const me = (await session.screen('profile'))('#me').attr('data-id')
    return [{ id: Number(me) }]
  },
}

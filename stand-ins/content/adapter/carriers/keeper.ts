import { Secret, type Carrier, type SecretOf } from 'unpack'
import type { StandInSession } from '../../../common/adapter/session.js'
import { renew } from '../keeper.js'

/** The password of whoever looks after the server, which opens every site on it. */
export const keeper: Carrier<{ renew: SecretOf }, StandInSession> = {
  name: 'the login for the server',
  side: 'dashboard',
  atOnce: 1,
  async carry([load], session) {
    if (!load) return []
    const refused = await renew(session, new Secret(load.renew))
    return [refused === undefined ? {} : { refused }]
  },
}

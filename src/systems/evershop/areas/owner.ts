import type { AreaOnSystem } from '../../area-on-system.js'
import type { EverShopSession } from '../session.js'
import { shopOf } from '../shop.js'

const byHand = (what: string) => ({
  byHand: `${what} is changed on the server of this system alone, in the folder where it runs`,
})

/** Owners are made, and change, on the server alone. */
export const owner: AreaOnSystem<'owner', EverShopSession> = {
  can: {
    username: byHand('the account by which somebody signs in'),
    email: byHand('the address by which the owner signs in'),
    password: byHand('the password'),
    shown: byHand('the name of the owner'),
    first: { never: 'this system knows one name of its owner, under name.shown' },
    last: { never: 'this system knows one name of its owner, under name.shown' },
  },
  async read(session) {
    const { currentAdminUser: me } = await shopOf(session)
    const { username, temporary } = session.login
    const password = temporary ? ('temporary' as const) : ('own' as const)
    return [{ id: me.uuid, item: { username, shown: me.fullName ?? '', email: me.email, password } }]
  },
}

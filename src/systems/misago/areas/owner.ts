import { secretOf } from '../../later.js'
import { Step } from '../../step.js'
import type { AreaOnSystem } from '../../area-on-system.js'
import { ownerAccount } from '../carriers/accounts.js'
import { ownAccount } from '../roles.js'
import type { MisagoSession } from '../session.js'

const noName = { never: 'members go by their user names here' }

export const owner: AreaOnSystem<'owner', MisagoSession> = {
  can: { first: noName, last: noName, shown: noName },
  async read(session) {
    const { id, email } = await ownAccount(session)
    const { username, temporary } = session.login
    return [{ id, item: { username, email, password: temporary ? 'temporary' : 'own' } }]
  },
  translate: (differences) =>
    differences.flatMap((difference) => {
      if (difference.is !== 'different') return []
      const { wanted, fields, found } = difference
      const changed = (key: (typeof fields)[number]) => fields.includes(key)
      const load = {
        id: Number(found.id),
        username: wanted.username,
        ...(changed('email') && { email: wanted.email }),
        // a login under another name is another login: it gets a password of its own
        ...((changed('password') || changed('username')) && { password: secretOf('owner') }),
      }
      return [Step.of(ownerAccount, load, { proves: [difference], gives: 'owner' })]
    }),
}

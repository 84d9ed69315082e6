import { decoded } from '../../../core/text/plain.js'
import type { AreaOnSystem } from '../../system.js'
import { Step } from '../../step.js'
import { firstRun } from '../carriers/first-run.js'
import { profile } from '../carriers/profile.js'
import { usersOf } from '../items.js'
import type { WordPressSession } from '../session.js'

export const owner: AreaOnSystem<'owner', WordPressSession> = {
  can: {
    username: {
      byHand:
        'the user name can’t be changed on this system: make a second administrator under “accounts” in the dashboard, sign in as that one, and remove the first',
    },
  },
  async read(session) {
    const me = (await usersOf(session)).find(({ username }) => username === session.login.username)
    return me
      ? [
          {
            id: me.id,
            item: {
              username: me.username,
              first: decoded(me.first_name),
              last: decoded(me.last_name),
              shown: decoded(me.name),
              email: me.email,
            },
          },
        ]
      : []
  },
  translate(differences, { firstRun: atFirstRun }) {
    return differences.flatMap((difference) => {
      if (difference.is === 'left over') return []
      const { username, first, last, shown, email } = difference.wanted
      const proves = [difference]
      if (atFirstRun)
        return [
          Step.of(
            firstRun,
            { user_name: username, admin_email: email ?? '', password: { secretOf: 'owner' } },
            { proves },
          ),
        ]
      const changed = (key: 'first' | 'last' | 'shown' | 'email') =>
        difference.is === 'missing' || difference.fields.includes(key)
      return [
        Step.of(
          profile,
          {
            ...(first !== undefined && changed('first') && { first_name: first }),
            ...(last !== undefined && changed('last') && { last_name: last }),
            ...(shown !== undefined && changed('shown') && { name: shown }),
            ...(email !== undefined && changed('email') && { email }),
          },
          { proves },
        ),
      ]
    })
  },
}

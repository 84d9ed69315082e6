import type { OwnerItem } from '../../../core/areas/owner.js'
import type { AreaOnSystem } from '../../area-on-system.js'
import { secretOf } from '../../later.js'
import { Step } from '../../step.js'
import { accounts } from '../carriers/accounts.js'
import { firstRun } from '../carriers/first-run.js'
import { profile } from '../carriers/profile.js'
import { usersOf } from '../items.js'
import type { WordPressSession } from '../session.js'
import { titleAsHtml, titleIn } from '../titles.js'

export const owner: AreaOnSystem<'owner', WordPressSession> = {
  can: ({ baseline }) =>
    baseline.owner.signInAs === undefined
      ? {
          username: {
            byHand:
              'the user name can’t be changed on this system: write “signInAs:” with the one it has into the baseline, and a new administrator takes its place',
          },
        }
      : {},
  async read(session) {
    const me = (await usersOf(session)).find(({ username }) => username === session.login.username)
    return me
      ? [
          {
            id: me.id,
            item: {
              username: me.username,
              first: titleIn(me.first_name),
              last: titleIn(me.last_name),
              shown: titleIn(me.name),
              email: me.email,
              password: session.login.temporary ? 'temporary' : 'own',
            },
          },
        ]
      : []
  },
  translate(differences, { firstRun: atFirstRun, inventory }) {
    return differences.flatMap((difference) => {
      if (difference.is === 'left over') return []
      const { username, first, last, shown, email } = difference.wanted
      const proves = [difference]
      const password = secretOf('owner')
      if (atFirstRun)
        return [Step.of(firstRun, { user_name: username, admin_email: email ?? '', password }, { proves })]
      const changed = (key: keyof OwnerItem) => difference.is === 'missing' || difference.fields.includes(key)
      if (changed('username')) {
        const old = inventory.owner?.[0]?.item
        // two accounts can't share an address: the host's keeps it until it goes
        const address = email === old?.email || email === undefined ? `${username}@owner.invalid` : email
        return [
          Step.of(
            accounts,
            {
              username,
              email: address,
              name: titleAsHtml(shown ?? username),
              first_name: titleAsHtml(first ?? ''),
              last_name: titleAsHtml(last ?? ''),
              password,
            },
            { proves, gives: 'owner' },
          ),
        ]
      }
      return [
        Step.of(
          profile,
          {
            ...(first !== undefined && changed('first') && { first_name: titleAsHtml(first) }),
            ...(last !== undefined && changed('last') && { last_name: titleAsHtml(last) }),
            ...(shown !== undefined && changed('shown') && { name: titleAsHtml(shown) }),
            ...(email !== undefined && changed('email') && { email }),
            ...(changed('password') && { password }),
          },
          { proves },
        ),
      ]
    })
  },
}

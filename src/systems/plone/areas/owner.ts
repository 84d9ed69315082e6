import type { OwnerItem } from '../../../core/areas/owner.js'
import type { Baseline } from '../../../core/baseline/schema.js'
import type { AreaOnSystem } from '../../area-on-system.js'
import { secretOf } from '../../later.js'
import { Step } from '../../step.js'
import { keeper } from '../carriers/keeper.js'
import { profile } from '../carriers/profile.js'
import { userOf, usersOf } from '../groups.js'
import { serverPassword } from '../keeper.js'
import type { PloneSession } from '../session.js'

const whole = ({ first = '', last = '' }: Pick<OwnerItem, 'first' | 'last'>): string => `${first} ${last}`.trim()
/** The one name that there is: the one that is to be shown, or else both together. */
const nameOf = ({ owner: { name = {} } }: Baseline): string => name.shown ?? whole(name)

export const owner: AreaOnSystem<'owner', PloneSession> = {
  can({ baseline }) {
    const { name } = baseline.owner
    const never = { never: 'this system knows one name for an account, and shows that' }
    return name?.shown !== undefined && name.shown !== whole(name) ? { first: never, last: never } : {}
  },
  async read(session, baseline) {
    const { username, temporary } = session.login
    const [{ fullname, email }, users, server] = await Promise.all([
      userOf(session, username),
      usersOf(session),
      serverPassword(session),
    ])
    const isMember = users.some((user) => user.username === username)
    const shown = fullname ?? ''
    const { first, last } = baseline.owner.name ?? {}
    const asPlanned = shown === whole({ first, last })
    return [
      {
        id: username,
        item: {
          username,
          shown,
          first: asPlanned ? (first ?? '') : shown,
          last: asPlanned ? (last ?? '') : '',
          email: email ?? '',
          password: temporary && isMember ? 'temporary' : 'own',
          ...(server && { server }),
        },
      },
    ]
  },
  translate: (differences, { firstRun, baseline }) =>
    differences.flatMap((difference): Step[] => {
      if (difference.is !== 'different' || firstRun) return []
      const { wanted, fields, found } = difference
      const proves = [difference]
      const changed = (...keys: (keyof OwnerItem)[]) => keys.some((key) => fields.includes(key))
      const email = wanted.email ?? found.item.email ?? ''
      const fullname = nameOf(baseline) || (found.item.shown ?? '')
      const isNew = changed('username')
      // the owner's own account comes first: at no moment is there no way in
      const renewed = { proves, ...(isNew && { after: ['owner'] }) }
      const server = changed('server') ? [Step.of(keeper, { renew: secretOf('server') }, renewed)] : []
      if (isNew) {
        const make = { username: wanted.username, email, fullname, password: secretOf('owner') }
        return [Step.of(profile, { make }, { proves, gives: 'owner' }), ...server]
      }
      return [
        ...server,
        ...(changed('first', 'last', 'shown', 'email')
          ? [Step.of(profile, { changes: { fullname, email } }, { proves })]
          : []),
        ...(changed('password') ? [Step.of(profile, { renew: secretOf('owner') }, { proves })] : []),
      ]
    }),
  ships: () => [{ id: 'owner', item: { username: '', first: '', last: '', shown: '', email: '', password: 'own' } }],
}

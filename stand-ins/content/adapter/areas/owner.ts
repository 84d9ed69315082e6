import { secretOf, Step, type AreaOnSystem, type ItemOf } from 'unpack'
import { profile } from '../../../common/adapter/carriers/profile.js'
import type { StandInSession } from '../../../common/adapter/session.js'
import { newOwner } from '../carriers/owner.js'

export const owner: AreaOnSystem<'owner', StandInSession> = {
  async read(session) {
    const { first = '', last = '', shown = '', email = '' } = await session.form('profile')
    const { username, temporary } = session.login
    const password = temporary ? ('temporary' as const) : ('own' as const)
    return [{ id: 'me', item: { username, first, last, shown, email, password } }]
  },
  translate: (differences, { firstRun }) =>
    differences.flatMap((difference): Step[] => {
      if (difference.is !== 'different' || firstRun) return []
      const { wanted, found, fields } = difference
      const proves = [difference]
      const changed = (key: keyof ItemOf<'owner'>) => fields.includes(key)
      const { first, last, shown, email } = wanted
      const names = Object.fromEntries(
        Object.entries({ first, last, shown, email }).filter((one): one is [string, string] => one[1] !== undefined),
      )
      if (changed('username')) {
        const load = {
          username: wanted.username,
          email: email ?? found.item.email ?? '',
          password: secretOf('owner'),
          names,
        }
        return [Step.of(newOwner, load, { proves, gives: 'owner' })]
      }
      return [Step.of(profile, { ...names, ...(changed('password') && { password: secretOf('owner') }) }, { proves })]
    }),
  ships: () => [{ id: 'owner', item: { username: '', first: '', last: '', shown: '', email: '', password: 'own' } }],
}

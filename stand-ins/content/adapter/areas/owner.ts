import { secretOf, Step, type AreaOnSystem, type ItemOf } from 'unpack'
import { profile } from '../../../common/adapter/carriers/profile.js'
import type { StandInSession } from '../../../common/adapter/session.js'
import { keeper } from '../carriers/keeper.js'
import { newOwner } from '../carriers/owner.js'
import { serverPassword } from '../keeper.js'

export const owner: AreaOnSystem<'owner', StandInSession> = {
  async read(session) {
    const [{ first = '', last = '', shown = '', email = '' }, accounts, server] = await Promise.all([
      session.form('profile'),
      session.rows('accounts'),
      serverPassword(session),
    ])
    const { username, temporary } = session.login
    const isOfSite = accounts.some(({ data }) => data.name === username)
    const password = temporary && isOfSite ? ('temporary' as const) : ('own' as const)
    return [{ id: 'me', item: { username, first, last, shown, email, password, ...(server && { server }) } }]
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
      const isNew = changed('username')
      // the owner's own account comes first: at no moment is there no way in
      const renewed = { proves, ...(isNew && { after: ['owner'] }) }
      const server = changed('server') ? [Step.of(keeper, { renew: secretOf('server') }, renewed)] : []
      if (isNew) {
        const load = {
          username: wanted.username,
          email: email ?? found.item.email ?? '',
          password: secretOf('owner'),
          names,
        }
        return [Step.of(newOwner, load, { proves, gives: 'owner' }), ...server]
      }
      const own = { ...names, ...(changed('password') && { password: secretOf('owner') }) }
      return [...server, ...(fields.every((key) => key === 'server') ? [] : [Step.of(profile, own, { proves })])]
    }),
  ships: () => [{ id: 'owner', item: { username: '', first: '', last: '', shown: '', email: '', password: 'own' } }],
}

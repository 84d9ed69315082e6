import { Step, type AreaOnSystem, type ItemOf, secretOf } from 'unpack'
import type { StandInSession } from '../../../common/adapter/session.js'
import { profile } from '../../../common/adapter/carriers/profile.js'

const never = { never: 'this forum knows a user name and a shown name, and no others' }

export const owner: AreaOnSystem<'owner', StandInSession> = {
  can: { first: never, last: never },
  async read(session) {
    const [{ shown = '', email = '' }, rows] = await Promise.all([session.form('profile'), session.rows('accounts')])
    const { username, temporary } = session.login
    const me = rows.find(({ data }) => data.name === username)
    return [{ id: me?.id ?? 'me', item: { username, shown, email, password: temporary ? 'temporary' : 'own' } }]
  },
  translate: (differences) =>
    differences.flatMap((difference) => {
      if (difference.is !== 'different') return []
      const { wanted, fields } = difference
      const changed = (key: keyof ItemOf<'owner'>) => fields.includes(key)
      const given = (['username', 'shown', 'email'] as const).flatMap((key): [string, string][] =>
        changed(key) && wanted[key] !== undefined ? [[key, wanted[key]]] : [],
      )
      // a login under another name is another login: it gets a password of its own
      const renewed = changed('password') || changed('username')
      const load = { ...Object.fromEntries(given), ...(renewed && { password: secretOf('owner') }) }
      return [Step.of(profile, load, { proves: [difference], gives: 'owner' })]
    }),
}

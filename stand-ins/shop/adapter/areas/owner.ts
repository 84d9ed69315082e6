import { secretOf, Step, type AreaOnSystem, type ItemOf } from 'unpack'
import { profile } from '../../../common/adapter/carriers/profile.js'
import type { StandInSession } from '../../../common/adapter/session.js'
import { firstRun } from '../carriers/first-run.js'

export const owner: AreaOnSystem<'owner', StandInSession> = {
  async read(session) {
    const { username = '', first = '', last = '', shown = '', email = '' } = await session.form('profile')
    const password = session.login.temporary ? ('temporary' as const) : ('own' as const)
    return [{ id: 'me', item: { username, first, last, shown, email, password } }]
  },
  translate: (differences, { firstRun: atFirstRun }) =>
    differences.flatMap((difference): Step[] => {
      if (difference.is === 'left over') return []
      const { username, first, last, shown, email } = difference.wanted
      const proves = [difference]
      const password = secretOf('owner')
      if (atFirstRun) return [Step.of(firstRun, { username, email: email ?? '', password }, { proves })]
      const changed = (key: keyof ItemOf<'owner'>) => difference.is === 'missing' || difference.fields.includes(key)
      const said = Object.entries({ first, last, shown, email }).filter(
        (one): one is [string, string] => one[1] !== undefined,
      )
      const own = {
        ...Object.fromEntries(said),
        ...(changed('username') && { username }),
        ...(changed('password') && { password }),
      }
      return [Step.of(profile, own, { proves, gives: 'owner' })]
    }),
}

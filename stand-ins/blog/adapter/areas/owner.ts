import { Step, type AreaOnSystem, type ItemOf, secretOf } from 'unpack'
import { profile } from '../../../common/adapter/carriers/profile.js'
import { accounts } from '../carriers/accounts.js'
import { firstRun } from '../carriers/first-run.js'
import type { StandInSession } from '../../../common/adapter/session.js'

const given = (fields: Record<string, string | undefined>): Record<string, string> =>
  Object.fromEntries(Object.entries(fields).filter((entry): entry is [string, string] => entry[1] !== undefined))

export const owner: AreaOnSystem<'owner', StandInSession> = {
  can: ({ baseline }) =>
    baseline.owner.signInAs === undefined
      ? {
          username: {
            byHand:
              'the user name can’t be changed on this system: write “signInAs:” with the one it has into the baseline, and a new account takes its place',
          },
        }
      : {},
  async read(session) {
    const [{ first = '', last = '', shown = '', email = '' }, rows] = await Promise.all([
      session.form('profile'),
      session.rows('accounts'),
    ])
    const { username, temporary } = session.login
    const me = rows.find(({ data }) => data.name === username)
    const password = temporary ? 'temporary' : 'own'
    return [{ id: me?.id ?? 'me', item: { username, first, last, shown, email, password } }]
  },
  translate(differences, { firstRun: atFirstRun, inventory }) {
    return differences.flatMap((difference) => {
      if (difference.is === 'left over') return []
      const { username, first, last, shown, email } = difference.wanted
      const proves = [difference]
      const password = secretOf('owner')
      if (atFirstRun) return [Step.of(firstRun, { username, email: email ?? '', password }, { proves })]
      const changed = (key: keyof ItemOf<'owner'>) => difference.is === 'missing' || difference.fields.includes(key)
      const names = given({ first, last, shown, email })
      if (changed('username')) {
        const fields = { username, email: email ?? inventory.owner?.[0]?.item.email ?? '', password, names }
        return [Step.of(accounts, fields, { proves, gives: 'owner' })]
      }
      return [Step.of(profile, { ...names, ...(changed('password') && { password }) }, { proves })]
    })
  },
}

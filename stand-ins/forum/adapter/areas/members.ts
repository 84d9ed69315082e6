import { refOf, Step, type AreaOnSystem } from 'unpack'
import type { StandInSession } from '../../../common/adapter/session.js'
import { accounts } from '../carriers/forms.js'
import { RIGHTS } from '../debts.js'

export const members: AreaOnSystem<'members', StandInSession> = {
  async read(session) {
    const [rows, groups] = await Promise.all([session.rows('accounts'), session.rows('groups')])
    const nameOf = new Map(groups.map(({ id, cells }) => [String(id), cells[0] ?? '']))
    return rows
      .filter(({ data }) => data.name !== session.login.username)
      .map(({ id, data }) => {
        const own = (data.groups ?? '').split(',').filter((one) => one !== '')
        const item = {
          username: data.name ?? '',
          email: data.email ?? '',
          groups: own.map((group) => refOf('groups', nameOf.get(group) ?? group)),
        }
        return { id, item, copy: item }
      })
  },
  translate: (differences) =>
    differences.map((difference) => {
      const proves = [difference]
      if (difference.is === 'left over')
        return Step.of(accounts, { id: { idOf: difference.ref }, remove: true }, { proves })
      const { username, email, groups = [] } = difference.wanted
      const joins = groups.map((group) => ({ idOf: group }))
      const owes = joins.length > 0 ? { owes: RIGHTS } : {}
      return difference.is === 'missing'
        ? Step.of(
            accounts,
            { username, email, password: { secretOf: difference.ref }, groups: joins },
            { proves, gives: difference.ref, ...owes },
          )
        : Step.of(accounts, { id: { idOf: difference.ref }, email, groups: joins }, { proves, ...owes })
    }),
}

import { refOf, Step, type AreaOnSystem, idOf, secretOf } from 'unpack'
import type { StandInSession } from '../../../common/adapter/session.js'
import { accounts } from '../carriers/forms.js'
import { RIGHTS } from '../debts.js'

export const members: AreaOnSystem<'members', StandInSession> = {
  keys: ['username', 'email', 'groups', 'open'],
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
          open: data.waits === '',
        }
        return { id, item, stamp: data.made, copy: item }
      })
  },
  translate: (differences) =>
    differences.flatMap((difference): Step[] => {
      const proves = [difference]
      const id = idOf(difference.ref)
      if (difference.is === 'left over') return [Step.of(accounts, { id, remove: true }, { proves })]
      const { username, email, groups = [], leaves = [] } = difference.wanted
      const joins = groups.map(idOf)
      const owes = joins.length > 0 ? { owes: RIGHTS } : {}
      if (difference.is === 'missing') {
        const load = { username, email, password: secretOf(difference.ref), groups: joins }
        return [Step.of(accounts, load, { proves, gives: difference.ref, ...owes })]
      }
      const changed = (key: 'email' | 'groups' | 'open') => difference.fields.includes(key)
      return [
        ...(changed('open') ? [Step.of(accounts, { id, email, wakes: true }, { proves })] : []),
        ...(changed('email') || changed('groups')
          ? [
              Step.of(
                accounts,
                { id, ...(changed('email') && { email }), groups: joins, leaves: leaves.map(idOf) },
                { proves, ...owes },
              ),
            ]
          : []),
      ]
    }),
}

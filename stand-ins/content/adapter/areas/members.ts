import { idOf, refOf, secretOf, Step, type AreaOnSystem } from 'unpack'
import type { StandInSession } from '../../../common/adapter/session.js'
import { accounts } from '../carriers/forms.js'
import { namesOf } from '../who.js'

export const members: AreaOnSystem<'members', StandInSession> = {
  keys: ['username', 'email', 'shown', 'groups', 'open'],
  async read(session, { owner }) {
    const [rows, names] = await Promise.all([session.rows('accounts'), namesOf(session)])
    return rows
      .filter(({ data }) => data.name !== owner.username)
      .map(({ id, data: { name: username = '', email, shown, groups = '', waits, made } }) => {
        const item = {
          ...{ username, email, shown, open: waits === '' },
          groups: groups.split(',').flatMap((group) => {
            const name = names.get(`group ${group}`)
            return name === undefined ? [] : [refOf('groups', name)]
          }),
        }
        return { id, item, stamp: made, copy: item }
      })
  },
  translate: (differences) =>
    differences.flatMap((difference): Step[] => {
      const proves = [difference]
      const id = idOf(difference.ref)
      if (difference.is === 'left over') return [Step.of(accounts, { id, remove: true }, { proves, after: ['owner'] })]
      const { username, email, shown, groups = [], leaves = [] } = difference.wanted
      const fresh = difference.is === 'missing'
      const changed = (key: 'email' | 'shown' | 'open') => fresh || difference.fields.includes(key)
      const said = {
        ...(changed('email') && email !== undefined && { email }),
        ...(changed('shown') && shown !== undefined && { shown }),
        ...(changed('open') && { waits: '' }),
      }
      const joins = groups.map(idOf)
      if (!fresh) return [Step.of(accounts, { id, fields: said, joins, leaves: leaves.map(idOf) }, { proves })]
      const fields = { username, ...said, password: secretOf(difference.ref) }
      return [Step.of(accounts, { fields, joins }, { proves, gives: difference.ref })]
    }),
}

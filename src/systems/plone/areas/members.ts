import { refOf } from '../../../core/ref.js'
import type { AreaOnSystem } from '../../area-on-system.js'
import { idOf, secretOf } from '../../later.js'
import { Step } from '../../step.js'
import { accounts, memberships } from '../carriers/accounts.js'
import { groupNamesOf, usersOf } from '../groups.js'
import type { PloneSession } from '../session.js'

export const members: AreaOnSystem<'members', PloneSession> = {
  keys: ['username', 'email', 'shown', 'groups', 'open'],
  async read(session, { owner }) {
    const [users, names] = await Promise.all([usersOf(session), groupNamesOf(session)])
    return users
      .filter(({ username }) => username !== owner.username)
      .map((user) => {
        const { id, username, fullname, email, groups: own, roles } = user
        const item = {
          username,
          email: email ?? '',
          shown: fullname ?? '',
          groups: (own?.items ?? []).flatMap((group) => {
            const name = names.get(group.id)
            return name === undefined ? [] : [refOf('groups', name)]
          }),
          open: true,
        }
        return { id, item, copy: { ...item, roles } }
      })
  },
  translate: (differences) =>
    differences.flatMap((difference): Step[] => {
      const proves = [difference]
      const { ref } = difference
      const id = idOf(ref)
      if (difference.is === 'left over') return [Step.of(accounts, { id, remove: true }, { proves, after: ['owner'] })]
      const { username, email, shown, groups = [], leaves = [] } = difference.wanted
      const fresh = difference.is === 'missing'
      const changed = (key: 'email' | 'shown' | 'groups') => fresh || difference.fields.includes(key)
      const joins = changed('groups') ? groups : []
      const own = fresh
        ? [
            Step.of(
              accounts,
              { username, email, fullname: shown ?? username, password: secretOf(ref) },
              { proves, gives: ref },
            ),
          ]
        : changed('email') || changed('shown')
          ? [
              Step.of(
                accounts,
                {
                  id,
                  changes: { ...(email !== undefined && { email }), ...(shown !== undefined && { fullname: shown }) },
                },
                { proves },
              ),
            ]
          : []
      return [
        ...own,
        ...[...joins.map((group) => [group, true] as const), ...leaves.map((group) => [group, false] as const)].map(
          ([group, isIn]) =>
            Step.of(memberships, { group: idOf(group), member: id, isIn }, { proves, after: fresh ? [ref] : [] }),
        ),
      ]
    }),
}

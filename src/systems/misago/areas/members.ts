import { refOf } from '../../../core/ref.js'
import { Step } from '../../step.js'
import type { AreaOnSystem } from '../../system.js'
import { accounts, activated, goneAccounts, newAccounts } from '../carriers/accounts.js'
import { RIGHTS } from '../debts.js'
import { rolesOf, usersOf, usersWith } from '../roles.js'
import type { MisagoSession } from '../session.js'

export const members: AreaOnSystem<'members', MisagoSession> = {
  async read(session, { groups = [] }) {
    const [users, roles] = await Promise.all([usersOf(session), rolesOf(session)])
    const own = roles.filter(({ name }) => groups.some((group) => group.name === name))
    // who is in a group stands in a list for each of them: that is fewer than a form for every account
    const inside = await Promise.all(own.map(({ id }) => usersWith(session, id)))
    const { username } = session.login
    return users
      .filter(({ name, email }) => ![name, email].includes(username))
      .map(({ id, name, email, open }) => ({
        id,
        item: {
          username: name,
          email,
          open,
          groups: own.flatMap((role, index) =>
            inside[index]?.some((user) => user.id === id) ? [refOf('groups', role.name)] : [],
          ),
        },
        copy: { username: name, email },
      }))
  },
  translate: (differences) =>
    differences.flatMap((difference): Step[] => {
      const proves = [difference]
      const id = { idOf: difference.ref }
      if (difference.is === 'left over') return [Step.of(goneAccounts, { id }, { proves })]
      const { username, email = '', groups = [] } = difference.wanted
      const roles = groups.map((group) => ({ idOf: group }))
      const joins = difference.is === 'missing' ? roles.length > 0 : difference.fields.includes('groups')
      const moves = difference.is === 'different' && difference.fields.includes('email')
      const waits = difference.is === 'different' && difference.fields.includes('open')
      return [
        ...(difference.is === 'missing'
          ? [
              Step.of(
                newAccounts,
                { username, email, password: { secretOf: difference.ref } },
                { proves, gives: difference.ref },
              ),
            ]
          : []),
        ...(waits ? [Step.of(activated, { id }, { proves })] : []),
        ...(joins || moves
          ? [
              Step.of(
                accounts,
                { id, roles: joins ? roles : [], ...(moves && { email }) },
                { proves, ...(joins && { owes: RIGHTS }) },
              ),
            ]
          : []),
      ]
    }),
}

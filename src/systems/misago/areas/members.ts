import { refOf } from '../../../core/ref.js'
import { Step } from '../../step.js'
import type { AreaOnSystem } from '../../system.js'
import { accounts, activated, goneAccounts, newAccounts, accountAgain } from '../carriers/accounts.js'
import { RIGHTS } from '../debts.js'
import { rolesOf, usersOf, usersWith } from '../roles.js'
import type { MisagoSession } from '../session.js'
import { z } from 'zod'

export const members: AreaOnSystem<'members', MisagoSession> = {
  async read(session, { groups = [], gone, owner }) {
    const [users, roles] = await Promise.all([usersOf(session), rolesOf(session)])
    const own = roles.filter(({ name }) => groups.some((group) => group.name === name))
    // who is in a group stands in a list for each of them: that is fewer than a form for every account
    const inside = await Promise.all(own.map(({ id }) => usersWith(session, id)))
    const { username } = session.login
    const goes = (name: string) => name === owner.signInAs || (gone.members?.includes(name) ?? false)
    return Promise.all(
      users
        .filter(({ name, email }) => ![name, email].includes(username))
        .map(async ({ id, name, email, open, since }) => ({
          id,
          stamp: since,
          item: {
            username: name,
            email,
            open,
            groups: own.flatMap((role, index) =>
              inside[index]?.some((user) => user.id === id) ? [refOf('groups', role.name)] : [],
            ),
          },
          copy: goes(name) ? { pairs: (await session.form(`users/edit/${id}/`)).pairs } : { username: name, email },
        })),
    )
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
  /** With everything that its form holds, and with another password. */
  again({ ref, item: { username, email = '', groups = [] }, copy }) {
    const { pairs } = copySchema.parse(copy)
    return [
      Step.of(newAccounts, { username, email, password: { secretOf: ref } }, { proves: [], gives: ref }),
      Step.of(accountAgain, { id: { idOf: ref }, pairs, groups: groups.map((idOf) => ({ idOf })) }, { proves: [] }),
    ]
  },
}

const copySchema = z.object({ pairs: z.array(z.tuple([z.string(), z.string()])) })

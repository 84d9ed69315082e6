import { z } from 'zod'
import { refOf, nameIn } from '../../../core/ref.js'
import { idOf, secretOf } from '../../later.js'
import { Step } from '../../step.js'
import type { AreaOnSystem } from '../../area-on-system.js'
import { accounts, activated, goneAccounts, newAccounts, accountAgain } from '../carriers/accounts.js'
import { RIGHTS } from '../debts.js'
import { rolesOf, usersOf, usersWith, rolesIn } from '../roles.js'
import type { MisagoSession } from '../session.js'

export const members: AreaOnSystem<'members', MisagoSession> = {
  keys: ['username', 'email', 'groups', 'open'],
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
          copy: goes(name) ? await copyOf(session, id) : { username: name, email },
        })),
    )
  },
  translate: (differences) =>
    differences.flatMap((difference): Step[] => {
      const proves = [difference]
      const id = idOf(difference.ref)
      if (difference.is === 'left over') return [Step.of(goneAccounts, { id }, { proves })]
      const { username, email = '', groups = [], leaves = [] } = difference.wanted
      const roles = groups.map(idOf)
      const joins = difference.is === 'missing' ? roles.length > 0 : difference.fields.includes('groups')
      const moves = difference.is === 'different' && difference.fields.includes('email')
      const waits = difference.is === 'different' && difference.fields.includes('open')
      return [
        ...(difference.is === 'missing'
          ? [
              Step.of(
                newAccounts,
                { username, email, password: secretOf(difference.ref) },
                { proves, gives: difference.ref },
              ),
            ]
          : []),
        ...(waits ? [Step.of(activated, { id }, { proves })] : []),
        ...(joins || moves
          ? [
              Step.of(
                accounts,
                { id, roles: joins ? roles : [], leaves: leaves.map(idOf), ...(moves && { email }) },
                { proves, ...(joins && { owes: RIGHTS }) },
              ),
            ]
          : []),
      ]
    }),
  /** With everything that its form holds, and with another password. */
  again({ ref, item: { username, email = '', groups = [] }, copy }) {
    const { pairs, roles } = copySchema.parse(copy)
    return [
      Step.of(newAccounts, { username, email, password: secretOf(ref) }, { proves: [], gives: ref }),
      Step.of(
        accountAgain,
        { id: idOf(ref), pairs, roles: [...new Set([...roles, ...groups.map(nameIn)])] },
        // roles may be made again as well
        { proves: [], after: roles.map((name) => refOf('groups', name)) },
      ),
    ]
  },
}

const copySchema = z.object({
  pairs: z.array(z.tuple([z.string(), z.string()])),
  roles: z.array(z.string()),
})

/** What the form of an account holds, and its roles by their names. */
async function copyOf(session: MisagoSession, id: number): Promise<z.output<typeof copySchema>> {
  const [form, roles] = await Promise.all([session.form(`users/edit/${id}/`), rolesOf(session)])
  const own = rolesIn(form)
  return {
    pairs: form.pairs.filter(([name]) => name !== 'csrfmiddlewaretoken' && name !== 'roles'),
    roles: roles.flatMap((role) => (own.includes(role.id) ? [role.name] : [])),
  }
}

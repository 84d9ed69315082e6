import { z } from 'zod'
import type { AreaOnSystem } from '../../area-on-system.js'
import { idOf, secretOf } from '../../later.js'
import { Step } from '../../step.js'
import { accounts } from '../carriers/accounts.js'
import { usersOf } from '../items.js'
import type { WordPressSession } from '../session.js'

export const members: AreaOnSystem<'members', WordPressSession> = {
  keys: ['username'],
  can: {
    new: { never: 'members are made on forums; on this system visitors join by themselves' },
    email: { never: 'members are made on forums' },
    groups: { never: 'this system has no groups' },
  },
  async read(session, { owner }) {
    const users = await usersOf(session)
    // the account at work is somebody's only where the baseline names another as the owner's, and this one as the host's
    const isOwn = (username: string) =>
      username === session.login.username && (username === owner.username || username !== owner.signInAs)
    return users
      .filter(({ username }) => !isOwn(username))
      .map((user) => ({
        id: user.id,
        stamp: user.registered_date,
        item: { username: user.username },
        copy: { ...user, _links: undefined },
      }))
  },
  translate: (differences) =>
    differences.flatMap((difference) =>
      difference.is === 'left over'
        ? [
            Step.of(
              accounts,
              { remove: idOf(difference.ref), heir: idOf('owner') },
              { proves: [difference], after: ['owner'] },
            ),
          ]
        : [],
    ),
  /** With everything that its form holds, and with another password. */
  again({ ref, copy }) {
    const { username, email, first_name, last_name, name, url, description, nickname, roles } =
      accountSchema.parse(copy)
    const fields = { username, email, first_name, last_name, name, url, description, nickname, roles }
    return Step.of(accounts, { again: { ...fields, password: secretOf(ref) } }, { proves: [], gives: ref })
  },
}

const words = z.string().default('')
const accountSchema = z.object({
  username: z.string(),
  email: z.string(),
  first_name: words,
  last_name: words,
  name: words,
  url: words,
  description: words,
  nickname: words,
  roles: z.array(z.string()).default([]),
})

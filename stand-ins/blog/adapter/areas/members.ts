import { Step, type AreaOnSystem, idOf } from 'unpack'
import type { StandInSession } from '../../../common/adapter/session.js'
import { accounts } from '../carriers/accounts.js'

export const members: AreaOnSystem<'members', StandInSession> = {
  keys: ['username'],
  can: {
    new: { never: 'members are made on forums; on this system visitors join by themselves' },
    email: { never: 'members are made on forums' },
    groups: { never: 'this system has no groups' },
  },
  async read(session, { owner }) {
    const rows = await session.rows('accounts')
    // the account at work is somebody's only where the baseline names another as the owner's, and this one as the host's
    const isOwn = (name: string) =>
      name === session.login.username && (name === owner.username || name !== owner.signInAs)
    return rows
      .filter(({ data }) => !isOwn(data.name ?? ''))
      .map(({ id, data }) => ({ id, item: { username: data.name ?? '' }, copy: data }))
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
}

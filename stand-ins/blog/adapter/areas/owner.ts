import { Step, type AreaOnSystem } from 'unpack'
import { firstRun } from '../carriers/first-run.js'
import { profile } from '../carriers/forms.js'
import type { StandInSession } from '../session.js'

export const owner: AreaOnSystem<'owner', StandInSession> = {
  can: { username: { byHand: 'the user name can’t be changed on this system' } },
  async read(session) {
    const { first = '', last = '', shown = '', email = '' } = await session.form('profile')
    return [{ id: 'me', item: { username: session.login.username, first, last, shown, email } }]
  },
  translate(differences, here) {
    return differences.flatMap((difference) => {
      if (difference.is === 'left over') return []
      const { username, first, last, shown, email } = difference.wanted
      const proves = [difference]
      if (here.firstRun)
        return [Step.of(firstRun, { username, email: email ?? '', password: { secretOf: 'owner' } }, { proves })]
      const fields = Object.entries({ first, last, shown, email }).filter(
        (entry): entry is [string, string] => entry[1] !== undefined,
      )
      return [Step.of(profile, Object.fromEntries(fields), { proves })]
    })
  },
}

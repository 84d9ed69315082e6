import { Step, type Carrier } from 'unpack'
import type { StandInSession } from '../../common/adapter/session.js'

/** When somebody joins a group, other members share its rights until a form of access is saved. No screen shows that. */
export const RIGHTS = 'rights that others share'

/** Saves the first form of access as it is. */
const saveAgain: Carrier<object, StandInSession> = {
  name: 'access, saved again',
  side: 'dashboard',
  atOnce: 1,
  async carry(_loads, session) {
    const [first] = await session.rows('access')
    return [first ? await session.send(`access/${first.id}`, {}) : {}]
  },
}

export const debts = { [RIGHTS]: () => Step.of(saveAgain, {}, { proves: [] }) }

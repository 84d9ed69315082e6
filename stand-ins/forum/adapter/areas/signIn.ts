import { settingSteps, type AreaOnSystem } from 'unpack'
import { as, box } from '../../../common/adapter/settings.js'
import type { StandInSession } from '../../../common/adapter/session.js'
import { signingIn } from '../carriers/forms.js'

export const signIn: AreaOnSystem<'signIn', StandInSession> = {
  async read(session) {
    const { attempts, lockMinutes, staySignedIn } = await session.form('signing-in')
    const item = {
      attempts: Number(attempts),
      lockMinutes: Number(lockMinutes),
      staySignedIn: staySignedIn === '1',
    }
    return [{ id: 'signIn', item }]
  },
  translate: (differences) =>
    settingSteps(differences, signingIn, {
      attempts: as('attempts'),
      lockMinutes: as('lockMinutes'),
      staySignedIn: (value) => ({ staySignedIn: box(value === true) }),
    }),
}

import type { AreaOnSystem, ItemOf } from 'unpack'
import { visitors } from '../carriers/forms.js'
import type { StandInSession } from '../session.js'
import { as, box, settingSteps } from '../settings.js'

export const signUp: AreaOnSystem<'signUp', StandInSession> = {
  async read(session) {
    const { joinOpen, joinRole } = await session.form('visitors')
    return [{ id: 'signUp', item: { open: joinOpen === '1', role: joinRole as ItemOf<'signUp'>['role'] } }]
  },
  translate: (differences) =>
    settingSteps<keyof ItemOf<'signUp'>>(differences, visitors, {
      open: (value) => ({ joinOpen: box(value === true) }),
      role: as('joinRole'),
    }),
}

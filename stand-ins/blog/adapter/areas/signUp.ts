import { settingSteps, signUpAt, has, type AreaOnSystem, type ItemOf } from 'unpack'
import type { StandInSession } from '../../../common/adapter/session.js'
import { as, box } from '../../../common/adapter/settings.js'
import { visitors } from '../carriers/forms.js'

export const signUp: AreaOnSystem<'signUp', StandInSession> = {
  can: {
    approval: { never: 'new accounts wait for nobody on this system' },
    'question.ask': { never: 'this system asks no question' },
    'question.answers': { never: 'this system asks no question' },
  },
  async read(session) {
    const { joinOpen, joinRole } = await session.form('visitors')
    return [{ id: 'signUp', item: { open: joinOpen === '1', role: joinRole as ItemOf<'signUp'>['role'] } }]
  },
  translate: (differences) =>
    settingSteps(differences, visitors, {
      open: (value) => ({ joinOpen: box(value === true) }),
      role: as('joinRole'),
    }),
  ships: () => [{ id: 'signUp', item: { open: true, role: 'reader' } }],
  looks: signUpAt({ place: 'join', isOpen: ({ text }) => has(text, 'form#join') }),
}

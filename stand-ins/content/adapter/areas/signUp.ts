import { load } from 'cheerio'
import { has, settingSteps, signUpAt, type AreaOnSystem } from 'unpack'
import type { StandInSession } from '../../../common/adapter/session.js'
import { as, box } from '../../../common/adapter/settings.js'
import { visitors } from '../carriers/forms.js'

const never = { never: 'this system asks newcomers no question' }
const waits = ['none', 'staff'] as const

export const signUp: AreaOnSystem<'signUp', StandInSession> = {
  can: ({ baseline }) => ({
    'question.ask': never,
    'question.answers': never,
    role: { never: 'new accounts have no other role here; what groups may do stands with the pages' },
    ...(baseline.signUp?.approval === 'email' && {
      approval: { never: 'this system writes to no newcomers: none, or staff' },
    }),
  }),
  async read(session) {
    const { joinOpen, joinWaits } = await session.form('visitors')
    const approval = joinWaits === 'none' ? ('none' as const) : ('staff' as const)
    return [{ id: 'signUp', item: { open: joinOpen === '1', approval } }]
  },
  translate: (differences) =>
    settingSteps(differences, visitors, {
      open: (value) => ({ joinOpen: box(value === true) }),
      approval: as('joinWaits'),
    }),
  ships: () => [{ id: 'signUp', item: { open: false, approval: 'staff' } }],
  looks: signUpAt({
    place: 'join',
    isOpen: ({ text }) => has(text, 'form#join'),
    approval: ({ text }) => waits.find((one) => one === load(text)('#approval').attr('data-waits')),
  }),
}

import { load } from 'cheerio'
import { settingSteps, signUpAt, has, type AreaOnSystem, type ItemOf } from 'unpack'
import { as, box } from '../../../common/adapter/settings.js'
import type { StandInSession } from '../../../common/adapter/session.js'
import { joining } from '../carriers/forms.js'

const waits = ['none', 'email', 'staff'] as const

export const signUp: AreaOnSystem<'signUp', StandInSession> = {
  can: { role: { never: 'new accounts are members; groups and access say what they may do' } },
  async read(session) {
    const { joinOpen, approval, question, answers = '' } = await session.form('joining')
    const item: ItemOf<'signUp'> = {
      open: joinOpen === '1',
      approval: approval as ItemOf<'signUp'>['approval'],
      'question.ask': question,
      'question.answers': answers.split(/\r?\n/).filter((line) => line !== ''),
    }
    return [{ id: 'signUp', item }]
  },
  translate: (differences) =>
    settingSteps(differences, joining, {
      open: (value) => ({ joinOpen: box(value === true) }),
      approval: as('approval'),
      'question.ask': as('question'),
      'question.answers': (value) => ({ answers: Array.isArray(value) ? value.join('\n') : '' }),
    }),
  looks: signUpAt({
    place: 'join',
    isOpen: ({ text }) => has(text, 'form#join'),
    approval: ({ text }) => waits.find((one) => one === load(text)('#approval').attr('data-waits')),
    question: {
      place: 'join',
      of: ({ text }) => load(text)('form#join label').last().text() || undefined,
    },
  }),
}

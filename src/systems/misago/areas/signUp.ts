import { z } from 'zod'
import { signUpAt, type SignUpPage } from '../../../looks/sign-up.js'
import { jsonOf } from '../../../web/answer.js'
import type { Value } from '../../../core/area.js'
import { textOf } from '../../../core/value.js'
import { Step } from '../../step.js'
import type { AreaOnSystem } from '../../area-on-system.js'
import { pageIn } from '../page.js'
import { captcha, users } from '../carriers/settings.js'
import type { MisagoSession } from '../session.js'

/** Its one field for both, by what a new account waits for; `closed` stands for nobody. */
const approvals = { none: 'none', email: 'user', staff: 'admin' } as const
export const approvalOf = (field: string): keyof typeof approvals =>
  field === 'user' ? 'email' : field === 'admin' ? 'staff' : 'none'

const lines = (value: Value | undefined): string => (Array.isArray(value) ? value.map(textOf).join('\n') : '')

const asked = z.object({ question: z.string() })

/** What the public page tells of signing up. */
export const signUpPage: SignUpPage = {
  place: '',
  isOpen: (answer) => (pageIn(answer)?.SETTINGS.account_activation ?? 'closed') !== 'closed',
  approval: (answer) => approvalOf(pageIn(answer)?.SETTINGS.account_activation ?? ''),
  question: {
    place: 'api/captcha-question/',
    of: (answer) => asked.safeParse(jsonOf(answer)).data?.question,
  },
}

export const signUp: AreaOnSystem<'signUp', MisagoSession> = {
  can: ({ baseline }) => ({
    role: { never: 'new accounts have no other role here; groups and access say what they may do' },
    ...(baseline.signUp?.open === false && {
      approval: { never: 'while sign-up is closed, this system keeps no rule for new accounts' },
    }),
  }),
  async read(session) {
    const [{ fields }, question] = await Promise.all([
      session.form('settings/users/'),
      session.form('settings/captcha/'),
    ])
    const asks = question.fields.captcha_type === 'qa'
    const answers = (question.fields.qa_answers ?? '').split(/\r?\n/).filter((line) => line !== '')
    return [
      {
        id: 'signUp',
        item: {
          open: fields.account_activation !== 'closed',
          approval: approvalOf(fields.account_activation ?? ''),
          'question.ask': asks ? question.fields.qa_question : '',
          'question.answers': asks ? answers : [],
        },
      },
    ]
  },
  translate: (differences) =>
    differences.flatMap((difference): Step[] => {
      if (difference.is === 'left over') return []
      const { wanted } = difference
      const found = difference.is === 'different' ? difference.found.item : {}
      const changed = (key: keyof typeof wanted) => difference.is === 'missing' || difference.fields.includes(key)
      const open = wanted.open ?? found.open ?? true
      const approval = wanted.approval ?? found.approval ?? 'none'
      const proves = [difference]
      return [
        ...(changed('open') || changed('approval')
          ? [Step.of(users, { account_activation: open ? approvals[approval] : 'closed' }, { proves })]
          : []),
        ...(changed('question.ask') || changed('question.answers')
          ? [
              Step.of(
                captcha,
                {
                  captcha_type: 'qa',
                  qa_question: wanted['question.ask'] ?? '',
                  qa_answers: lines(wanted['question.answers']),
                },
                { proves },
              ),
            ]
          : []),
      ]
    }),
  looks: signUpAt(signUpPage),
}

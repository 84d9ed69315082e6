import { z } from 'zod'
import type { Area, Value } from '../area.js'
import { flatKeys, textOf, yesOrNo } from '../value.js'

export const signUpSchema = z.strictObject({
  open: z.boolean().optional().describe('Whether visitors may make an account'),
  approval: z
    .enum(['none', 'email', 'staff'])
    .optional()
    .describe('What a new account waits for: nothing, a link in a mail, or somebody of the staff'),
  question: z
    .strictObject({
      ask: z.string().min(1).max(100).describe('What is asked'),
      answers: z.array(z.string().min(1)).min(1).describe('What is taken for an answer; capitals do not matter'),
    })
    .optional()
    .describe('A question that keeps machines out')
    .meta({ examples: [{ ask: 'How many arms has a common starfish?', answers: ['five', '5'] }] }),
  role: z.enum(['reader', 'writer', 'editor']).optional().describe('What a new account may do'),
})

export interface SignUpItem {
  open?: boolean
  role?: 'reader' | 'writer' | 'editor'
  approval?: 'none' | 'email' | 'staff'
  'question.ask'?: string
  'question.answers'?: readonly string[]
}

const words: Record<keyof SignUpItem, string> = {
  open: 'sign-up is open',
  role: 'role of new accounts',
  approval: 'new accounts wait for',
  'question.ask': 'what is asked',
  'question.answers': 'what is taken for an answer',
}
const waits = {
  none: 'a new account waits for nobody',
  email: 'a new account waits for the link in a mail',
  staff: 'a new account waits for the staff',
} as const
const answers = (value: Value): string =>
  (Array.isArray(value) ? (value as readonly string[]) : []).map((one) => one.trim().toLowerCase()).join('\n')

/** Whether visitors may make an account. */
export interface SignUpLook {
  look: 'sign-up'
  open: boolean
}
/** What a new account waits for. */
export interface ApprovalLook {
  look: 'approval'
  approval: string
}
/** What whoever makes an account is asked. */
export interface QuestionLook {
  look: 'question'
  ask: string
}

/** Its part of the baseline file. */
export const signUpPart = {
  signUp: signUpSchema
    .optional()
    .describe('Whether visitors may make accounts')
    .meta({ examples: [{ open: false, role: 'reader' }] }),
}

export const signUp: Area<'signUp', SignUpItem, SignUpLook | ApprovalLook | QuestionLook> = {
  name: 'signUp',
  title: 'sign-up',
  list: 'one',
  questions: [{ key: 'signUp', ask: 'May visitors make accounts, and what do new ones wait for?' }],
  keys: ['open', 'role', 'approval', 'question.ask', 'question.answers'],
  ref: () => 'signUp',
  plan: ({ signUp }) => (signUp ? [{ item: flatKeys(signUp) }] : []),
  same: (key, wanted, found) => (key === 'question.answers' ? answers(wanted) === answers(found) : wanted === found),
  call: () => 'sign-up',
  say: (key) => words[key],
  show: (_key, value) => (Array.isArray(value) ? value.map(textOf).join(', ') : yesOrNo(value)),
  expect: ([item]) =>
    item?.open === undefined
      ? []
      : [
          {
            name: `visitors ${item.open ? 'can' : 'can’t'} make an account`,
            at: 'front',
            look: 'sign-up',
            open: item.open,
          },
          ...(item.open && item.approval
            ? [{ name: waits[item.approval], at: 'front' as const, look: 'approval' as const, approval: item.approval }]
            : []),
          ...(item.open && item['question.ask']
            ? [
                {
                  name: `they are asked “${item['question.ask']}”`,
                  at: 'front' as const,
                  look: 'question' as const,
                  ask: item['question.ask'],
                },
              ]
            : []),
        ],
}

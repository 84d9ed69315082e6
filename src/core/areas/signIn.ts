import { z } from 'zod'
import type { Area } from '../area.js'
import { yesOrNo } from '../value.js'

export const signInSchema = z.strictObject({
  // fewer would shut the owner out at a slip of the hand
  attempts: z
    .int()
    .min(3)
    .optional()
    .describe('Wrong passwords that are borne before an account is locked; 3 at least'),
  lockMinutes: z
    .int()
    .min(1)
    .max(1440)
    .optional()
    .describe('How long it is locked then, in minutes; a day at the most'),
  staySignedIn: z.boolean().optional().describe('Whether a member may stay signed in from one visit to the next'),
})

export interface SignInItem {
  attempts?: number
  lockMinutes?: number
  staySignedIn?: boolean
}

const words: Record<keyof SignInItem, string> = {
  attempts: 'wrong passwords before a lock',
  lockMinutes: 'minutes of a lock',
  staySignedIn: 'members may stay signed in',
}

/** Its part of the baseline file. */
export const signInPart = {
  signIn: signInSchema
    .optional()
    .describe('The rules for signing in')
    .meta({ examples: [{ attempts: 5, lockMinutes: 30 }] }),
}

/** The rules for signing in. */
export const signIn: Area<'signIn', SignInItem> = {
  name: 'signIn',
  title: 'rules for signing in',
  list: 'one',
  questions: [{ key: 'signIn', ask: 'How often may somebody try a wrong password?' }],
  keys: ['attempts', 'lockMinutes', 'staySignedIn'],
  ref: () => 'signIn',
  plan: ({ signIn }) => (signIn ? [{ item: signIn }] : []),
  call: () => 'signing in',
  say: (key) => words[key],
  show: (_key, value) => yesOrNo(value),
}

import { z } from 'zod'
import type { Area } from '../area.js'
import { yesOrNo } from '../value.js'

export const signUpSchema = z.strictObject({
  open: z.boolean().optional().describe('Whether visitors may make an account'),
  role: z.enum(['reader', 'writer', 'editor']).optional().describe('What a new account may do'),
})

export interface SignUpItem {
  open?: boolean
  role?: 'reader' | 'writer' | 'editor'
}

export const signUp: Area<'signUp', SignUpItem> = {
  name: 'signUp',
  title: 'sign-up',
  list: 'one',
  keys: ['open', 'role'],
  ref: () => 'signUp',
  plan: ({ signUp }) => (signUp ? [{ item: signUp }] : []),
  call: () => 'sign-up',
  say: (key) => (key === 'open' ? 'sign-up is open' : 'role of new accounts'),
  show: (_key, value) => yesOrNo(value),
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
        ],
}

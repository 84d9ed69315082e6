import { z } from 'zod'
import type { Area } from '../area.js'
import { yesOrNo } from '../value.js'

export const commentingSchema = z.strictObject({
  allowed: z.boolean().optional().describe('Whether visitors may comment on new posts'),
  approve: z
    .enum(['all', 'newcomers', 'none'])
    .optional()
    .describe('Whose comments wait for you: all, those of newcomers, none'),
  linksBeforeApproval: z
    .int()
    .min(0)
    .max(100)
    .optional()
    .describe('A comment with more links than this waits for you')
    .meta({ examples: [1] }),
})

export interface CommentingItem {
  allowed?: boolean
  approve?: 'all' | 'newcomers' | 'none'
  linksBeforeApproval?: number
}

const words: Record<keyof CommentingItem, string> = {
  allowed: 'comments allowed',
  approve: 'comments that wait for you',
  linksBeforeApproval: 'links before a comment waits',
}

/** The rules for comments; the comments themselves are an area of their own. */
export const commenting: Area<'commenting', CommentingItem> = {
  name: 'commenting',
  title: 'rules for comments',
  key: 'comments',
  list: 'one',
  keys: ['allowed', 'approve', 'linksBeforeApproval'],
  ref: () => 'commenting',
  plan: ({ comments }) => (comments ? [{ item: comments }] : []),
  call: () => 'the rules for comments',
  say: (key) => words[key],
  show: (_key, value) => yesOrNo(value),
}

import { z } from 'zod'
import type { Area } from '../area.js'
import type { Baseline } from '../baseline/schema.js'
import { refOf } from '../ref.js'
import { textOf, yesOrNo } from '../value.js'
import { firstPost } from './posts.js'

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

/** Whether a post shows visitors a form for a comment. */
export interface CommentFormLook {
  look: 'comment-form'
  open: boolean
}

/** A visitor's comment, with so many links in it. */
export interface CommentTry {
  links: number
}
const outcomes = {
  shown: 'it was shown at once',
  held: 'it waits for the owner',
  refused: 'it was not taken',
} as const
const told: { [came in keyof typeof outcomes]: string } = {
  shown: 'is shown at once',
  held: 'waits for the owner',
  refused: 'is not taken',
}

/** What the rules say should come of a comment. */
function comesOf({ comments }: Pick<Baseline, 'comments'>, links: number): keyof typeof outcomes | undefined {
  if (comments?.allowed === false) return 'refused'
  const { approve, linksBeforeApproval: most } = comments ?? {}
  if (approve === 'all' || approve === 'newcomers') return 'held'
  if (most !== undefined && links > most) return 'held'
  return approve === 'none' ? 'shown' : undefined
}

/** Its part of the baseline file. */
export const commentingPart = {
  comments: commentingSchema
    .optional()
    .describe('The rules for comments')
    .meta({ examples: [{ allowed: true, approve: 'all', linksBeforeApproval: 1 }] }),
}

/** The rules for comments; the comments themselves are an area of their own. */
export const commenting: Area<'commenting', CommentingItem, CommentFormLook, CommentTry> = {
  name: 'commenting',
  title: 'rules for comments',
  key: 'comments',
  list: 'one',
  questions: [{ key: 'comments', ask: 'May visitors comment, and who sees a comment first?' }],
  keys: ['allowed', 'approve', 'linksBeforeApproval'],
  ref: () => 'commenting',
  plan: ({ comments }) => (comments ? [{ item: comments }] : []),
  call: () => 'the rules for comments',
  tries(baseline, found) {
    const post = firstPost(baseline, found)
    const cannot = post ? undefined : 'no published post of the plan stands there to try it on'
    const { approve, linksBeforeApproval: most } = baseline.comments ?? {}
    const more = approve === 'none' && most !== undefined ? [most + 1] : []
    return [0, ...more].flatMap((links) => {
      const should = comesOf(baseline, links)
      const what = links === 0 ? 'a visitor’s comment' : `a comment with ${links} links`
      return should
        ? [{ name: `${what} ${told[should]}`, at: post?.ref ?? '', should, words: outcomes, links, cannot }]
        : []
    })
  },
  expect([{ allowed: open } = {}], _baseline, { posts = [] }) {
    if (open === undefined) return []
    const anyOf = posts.filter(({ state }) => state === 'published').map(({ slug }) => refOf('posts', textOf(slug)))
    return [
      {
        name: `visitors ${open ? 'may' : 'can’t'} comment on new posts`,
        at: { madeUnder: open, anyOf },
        look: 'comment-form',
        open,
      },
    ]
  },
  say: (key) => words[key],
  show: (_key, value) => yesOrNo(value),
}

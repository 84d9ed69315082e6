import { z } from 'zod'
import type { Area } from '../area.js'
import { flatKeys, yesOrNo } from '../value.js'

const count = (what: string) => z.int().min(1).optional().describe(what)

export const postingSchema = z.strictObject({
  waitSeconds: z.int().min(0).optional().describe('Seconds between two posts of one member; 0: no wait'),
  perHour: z.int().min(0).optional().describe('Posts of one member in an hour; 0: as many as they like'),
  postsPerPage: count('How many posts of a topic stand on a page'),
  topicsPerPage: count('How many topics stand on a page'),
  busyFrom: count('Replies from which a topic is marked as busy'),
  polls: z
    .strictObject({
      allowed: z.boolean().optional().describe('Whether members may start polls'),
      choices: z.int().min(2).optional().describe('Choices that a poll may have at the most'),
    })
    .optional()
    .describe('Polls'),
})

export interface PostingItem {
  waitSeconds?: number
  perHour?: number
  postsPerPage?: number
  topicsPerPage?: number
  busyFrom?: number
  'polls.allowed'?: boolean
  'polls.choices'?: number
}

const words: Record<keyof PostingItem, string> = {
  waitSeconds: 'seconds between two posts',
  perHour: 'posts in an hour',
  postsPerPage: 'posts on a page',
  topicsPerPage: 'topics on a page',
  busyFrom: 'busy from this many replies',
  'polls.allowed': 'members may start polls',
  'polls.choices': 'choices of a poll',
}

/** Its part of the baseline file. */
export const postingPart = {
  posting: postingSchema
    .optional()
    .describe('How members post')
    .meta({ examples: [{ perHour: 30, postsPerPage: 15 }] }),
}

/** How members post. */
export const posting: Area<'posting', PostingItem> = {
  name: 'posting',
  title: 'posting',
  list: 'one',
  questions: [{ key: 'posting', ask: 'How often and how much may members post?' }],
  keys: Object.keys(words) as (keyof PostingItem)[],
  ref: () => 'posting',
  plan: ({ posting }) => (posting ? [{ item: flatKeys(posting) }] : []),
  call: () => 'posting',
  say: (key) => words[key],
  show: (_key, value) => yesOrNo(value),
}

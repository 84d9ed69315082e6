import { z } from 'zod'
import type { Area } from '../area.js'
import { postAddressParts } from '../text/post-address.js'
import { firstPost, type PostItem } from './posts.js'

export const publishingSchema = z.strictObject({
  postsPerPage: z
    .int()
    .min(1)
    .max(1000)
    .optional()
    .describe('How many posts a page of posts shows')
    .meta({ examples: [6] }),
  postAddress: z
    .string()
    .refine((text) => postAddressParts(text) !== undefined, {
      error: 'a path with {slug} or {id}, and of {category} {year} {month} {day} {author} what you like',
    })
    .optional()
    .describe('How the address of a post is made, as a URI Template (RFC 6570)')
    .meta({ examples: ['/{year}/{slug}/'] }),
  feed: z
    .strictObject({
      posts: z
        .int()
        .min(1)
        .max(1000)
        .optional()
        .describe('How many posts the feed holds')
        .meta({ examples: [10] }),
      shows: z.enum(['summary', 'whole']).optional().describe('Whether the feed holds whole posts'),
    })
    .optional()
    .describe('The feed'),
  newPostNotices: z
    .array(z.url({ protocol: /^https?$/, error: 'a whole http or https address' }))
    .optional()
    .describe('Exactly these services are told of every new post')
    .meta({ examples: [[]] }),
})

export interface PublishingItem {
  postsPerPage?: number
  postAddress?: string
  feedPosts?: number
  feedShows?: 'summary' | 'whole'
  newPostNotices?: readonly string[]
}

const words: Record<keyof PublishingItem, string> = {
  postsPerPage: 'posts on a page',
  postAddress: 'post address',
  feedPosts: 'posts in the feed',
  feedShows: 'the feed shows',
  newPostNotices: 'told of new posts',
}

/** Whether the address that a post would have had as shipped leads on to the one it has. */
export interface LeadsOn {
  /** How posts' addresses are made, as shipped and as planned (URI Templates). */
  before: string
  after: string
  /** The post's place by the shipped rule. */
  place: string
}

/** Its part of the baseline file. */
export const publishingPart = {
  publishing: publishingSchema
    .optional()
    .describe('How posts are published')
    .meta({ examples: [{ postsPerPage: 6, postAddress: '/{slug}/' }] }),
}

export const publishing: Area<'publishing', PublishingItem, never, LeadsOn> = {
  name: 'publishing',
  title: 'publishing',
  list: 'one',
  questions: [{ key: 'publishing', ask: 'How are posts published: how many on a page, and at which addresses?' }],
  keys: ['postsPerPage', 'postAddress', 'feedPosts', 'feedShows', 'newPostNotices'],
  ref: () => 'publishing',
  plan: ({ publishing }) =>
    publishing
      ? [
          {
            item: {
              postsPerPage: publishing.postsPerPage,
              postAddress: publishing.postAddress,
              feedPosts: publishing.feed?.posts,
              feedShows: publishing.feed?.shows,
              newPostNotices: publishing.newPostNotices,
            },
          },
        ]
      : [],
  call: () => 'publishing',
  say: (key) => words[key],
  expect: ([item]) =>
    item?.feedPosts === undefined
      ? []
      : [
          {
            name: `the feed holds ${item.feedPosts} posts at the most`,
            at: 'front',
            look: 'feed',
            most: item.feedPosts,
          },
        ],
  tries(baseline, found, shipped) {
    const [before, after] = [shipped?.postAddress, baseline.publishing?.postAddress]
    const post = firstPost(baseline, found)
    if (!post || before === undefined || after === undefined || before === after) return []
    const place = placeBy(before, post.item)
    if (place === undefined) return []
    const name = 'an old address of a post leads on to its new one'
    return [{ name, at: post.ref, should: 'leads on', words: {}, before, after, place }]
  },
}

/** Where a post would stand by a rule; `undefined` where the rule wants what is not known of it. */
function placeBy(rule: string, { slug, date = '' }: PostItem): string | undefined {
  const [year = '', month = '', day = ''] = date.slice(0, 10).split('-')
  const values: { readonly [part: string]: string } = { slug, year, month, day }
  const pieces = (postAddressParts(rule) ?? []).map((piece) => (typeof piece === 'string' ? piece : values[piece.part]))
  return pieces.length === 0 || pieces.includes(undefined) ? undefined : pieces.join('')
}

import { z } from 'zod'
import type { Area } from '../area.js'
import { postAddressParts } from '../text/post-address.js'

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

export const publishing: Area<'publishing', PublishingItem> = {
  name: 'publishing',
  title: 'publishing',
  list: 'one',
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
            at: 'feed',
            look: 'feed',
            most: item.feedPosts,
          },
        ],
}

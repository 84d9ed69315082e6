import { z } from 'zod'
import { knownItems } from '../baseline/known-item.js'
import { filesAt } from '../baseline/named-files.js'
import { namedBy, groupsIn, listOf } from '../baseline/plain-values.js'
import type { Area, Found, Value } from '../area.js'
import type { Baseline } from '../baseline/schema.js'
import { fileName, localTime, slug } from '../baseline/values.js'
import { isPublishing } from '../publishing-state.js'
import { showsEntry } from '../shows-entry.js'
import { momentText } from '../text/dates.js'
import { refOf } from '../ref.js'
import { sameText } from '../text/normal-form.js'
import { slugOf } from '../text/slug-of.js'
import { textOf } from '../value.js'
import { categories } from './categories.js'

export const postSchema = z.strictObject({
  title: z
    .string()
    .min(1)
    .describe('The title of the post')
    .meta({ examples: ['We open on Saturday'] }),
  slug: slug.describe('Its part of the address; a post is known by it'),
  body: fileName.optional().describe('A file in CommonMark beside the baseline; left out, the post stays empty'),
  categories: z.array(slug).optional().describe('Exactly these categories, by their slugs'),
  tags: z.array(z.string().min(1)).optional().describe('Exactly these tags, by their names'),
  state: z.enum(['published', 'draft']).optional().describe('Whether visitors can see it; left out: they can'),
  summary: z
    .string()
    .optional()
    .describe('What it is about, in a line or two: where lists of posts show it')
    .meta({ examples: ['It steams again'] }),
  date: localTime
    .optional()
    .describe("When it appears, on the site's own clock; left out: when it is made")
    .meta({ examples: ['2026-03-05T14:07'] }),
  was: slug.optional().describe('The slug it had before: it is renamed, not made a second time'),
})

/** A post. */
export interface PostItem {
  title: string
  slug: string
  summary?: string
  /** HTML. */
  body?: string
  state?: 'published' | 'draft'
  /** Refs of its categories. */
  categories?: readonly string[]
  /** Refs of its tags. */
  tags?: readonly string[]
  /** `2026-03-05T14:07`, on the site's own clock. */
  date?: string
}

/** The first planned post that visitors find on the site. */
export const firstPost = (
  { posts }: Pick<Baseline, 'posts'>,
  found: (ref: string) => Found | undefined,
): Found<string, PostItem> | undefined =>
  (posts ?? [])
    .filter(({ state }) => state !== 'draft')
    .map(({ slug }) => found(refOf('posts', slug)) as Found<string, PostItem> | undefined)
    .find((post) => post && !post.hidden && post.address !== undefined)

const sorted = (value: Value): string => (Array.isArray(value) ? (value as readonly string[]).toSorted().join(' ') : '')

/** Its part of the baseline file. */
export const postsPart = {
  posts: z
    .array(postSchema)
    .optional()
    .describe('At least these posts')
    .meta({ examples: [[{ title: 'We open on Saturday', slug: 'we-open-on-saturday', body: 'posts/we-open.md' }]] }),
}

export const posts: Area<'posts', PostItem> = {
  name: 'posts',
  title: 'posts',
  list: 'at least',
  questions: [{ key: 'posts', ask: 'Which posts are there from the first day on?' }],
  shipped: 'Posts',
  gone: z.array(slug).describe('Slugs of posts'),
  guarded: true,
  empties: ['body', 'summary'],
  apart: ['state'],
  closedAtFirst: ['state'],
  keys: ['title', 'slug', 'summary', 'body', 'state', 'categories', 'tags', 'date'],
  named: ({ posts }) => namedBy(posts, 'slug', ['posts']),
  files: ({ posts }) => filesAt('body', posts, 'body', ['posts']),
  mistakes(values, add) {
    const category = knownItems(values, categories, add)
    for (const [post, index] of groupsIn(values.posts))
      for (const [at, slug] of listOf(post.categories).entries()) category(slug, ['posts', index, 'categories', at])
  },
  sampled: ({ posts }) => posts,
  ref: (item) => refOf('posts', item.slug),
  plan: ({ posts, bodies, sample }) => [
    ...(posts ?? []).map(({ title, slug, summary, body, categories, tags, state, date, was }) => ({
      item: {
        title,
        slug,
        summary,
        body: body === undefined ? undefined : bodies[body],
        state: state ?? 'published',
        categories: categories?.map((name) => refOf('categories', name)),
        tags: tags?.map((name) => refOf('tags', slugOf(name))),
        date,
      },
      was: was && refOf('posts', was),
    })),
    ...(sample?.posts ?? []).map((item) => ({ item })),
  ],
  links: ['categories', 'tags'],
  texts: ['body'],
  opens: isPublishing,
  same(key, wanted, found) {
    if (key === 'body') return sameText(textOf(wanted), textOf(found))
    return key === 'categories' || key === 'tags' ? sorted(wanted) === sorted(found) : wanted === found
  },
  call: (item) => `the post “${item.title}”`,
  say: (key) => (key === 'body' ? 'text' : key),
  show: (key, value, language) => (key === 'date' ? momentText(textOf(value), language) : undefined),
  madeUnder: ({ comments }) => comments?.allowed,
  expect: (items) =>
    items
      .filter(({ state }) => state === 'published')
      .map((item) => showsEntry(posts.call(item), posts.ref(item), item)),
}

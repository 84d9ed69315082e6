import { z } from 'zod'
import { unescaped } from '../../core/text/percent.js'
import { refsInTree } from '../../core/refs-in-tree.js'
import { UnpackError } from '../../core/errors.js'
import { isWhole } from '../../web/reading.js'
import type { WordPressSession } from './session.js'

/* What the HTTP interface answers, as far as it is used, and read once a session. */

/** The site tells other letters than Latin ones percent-encoded. */
export const slugSchema = z.string().transform(unescaped)
const text = z.object({ raw: z.string() })
export const entrySchema = z.looseObject({
  id: z.number(),
  slug: slugSchema,
  status: z.string(),
  title: text.extend({ rendered: z.string().optional() }),
  content: text,
  excerpt: text.optional(),
  author: z.number(),
  guid: text,
  date_gmt: z.string().nullable(),
  modified_gmt: z.string().nullable(),
  link: z.string(),
  date: z.string().nullish(),
  parent: z.number().default(0),
  menu_order: z.number().default(0),
  categories: z.array(z.number()).default([]),
  tags: z.array(z.number()).default([]),
  _links: z.looseObject({ 'version-history': z.array(z.looseObject({ count: z.number() })).optional() }).optional(),
})
export type Entry = z.output<typeof entrySchema>
export const commentSchema = z.looseObject({
  id: z.number(),
  post: z.number(),
  status: z.string(),
  author_name: z.string(),
  author_email: z.string(),
  author_url: z.string(),
  author_ip: z.string(),
  author_user_agent: z.string().default(''),
  parent: z.number().default(0),
  date_gmt: z.string(),
  content: text,
})
export const termSchema = z.looseObject({
  id: z.number(),
  name: z.string(),
  slug: slugSchema,
  description: z.string(),
  parent: z.number().default(0),
  link: z.string(),
})
export type Term = z.output<typeof termSchema>
const ofType = (type: string) => entrySchema.extend({ type: z.literal(type) })
const ofTaxonomy = (taxonomy: string) => termSchema.extend({ taxonomy: z.literal(taxonomy) })
const userSchema = z.looseObject({
  id: z.number(),
  username: z.string(),
  first_name: z.string(),
  last_name: z.string(),
  name: z.string(),
  email: z.string(),
  registered_date: z.string(),
})

// what is in the bin is nobody's content any more, and its slug is free
const EVERY_STATE = 'status=publish,future,draft,pending,private'

export const usersOf = (session: WordPressSession) =>
  session.shelf.read('users', () => session.list('users', userSchema))
export const postsOf = (session: WordPressSession) =>
  session.shelf.read('posts', () => session.list('posts', ofType('post'), EVERY_STATE))
export const pagesOf = (session: WordPressSession) =>
  session.shelf.read('pages', () => session.list('pages', ofType('page'), EVERY_STATE))
/** Some posts or pages, as they stand now. */
export const entriesNow = (session: WordPressSession, route: 'posts' | 'pages', ids: readonly (string | number)[]) =>
  session.list(
    route,
    ofType(route === 'posts' ? 'post' : 'page'),
    `${EVERY_STATE},trash&include=${ids.map(String).join(',')}`,
  )
export const commentsOf = (session: WordPressSession) =>
  // spam and what is in the bin are left out likewise
  session.shelf.read('comments', () => session.list('comments', commentSchema, 'status=all'))
export const tagsOf = (session: WordPressSession) =>
  session.shelf.read('tags', () => session.list('tags', ofTaxonomy('post_tag')))
export const uploadSchema = z.looseObject({
  id: z.number(),
  slug: slugSchema,
  status: z.string(),
  mime_type: z.string(),
  source_url: z.string(),
  title: text.optional(),
  caption: text.optional(),
  description: text.optional(),
  alt_text: z.string().default(''),
})
const uploadNow = uploadSchema.extend({
  author: z.number(),
  date_gmt: z.string().nullable(),
  modified_gmt: z.string().nullable(),
})
export const mediaOf = (session: WordPressSession) =>
  session.shelf.read('media', () => session.list('media', uploadNow, 'status=inherit,private'))
export const categoriesOf = (session: WordPressSession) =>
  session.shelf.read('categories', () => session.list('categories', ofTaxonomy('category')))

/**
 * Whether categories' addresses lead to them. This system's own first run forgets their rules, until they are written anew
 * (6.1: its first-run form is no dashboard page); only a visitor can see that.
 */
export const addressesOf = (session: WordPressSession) =>
  session.shelf.read('addresses', async (): Promise<'open' | 'not found'> => {
    const [category] = await categoriesOf(session)
    if (!category) return 'open'
    const answer = await session.visitor.get(category.link)
    if (answer.status === 404) return 'not found'
    if (answer.status === 200 && isWhole(answer.text)) return 'open'
    throw UnpackError.of(
      'screen-unexpected',
      { url: answer.url, wanted: 'the page of a category' },
      { page: answer.text },
    )
  })

/** The refs of pages, by their numbers: each with those it stands under. */
export const pageRefsOf = async (session: WordPressSession): Promise<ReadonlyMap<number, string>> =>
  refsInTree('pages', await pagesOf(session))

import { z } from 'zod'
import type { Area } from '../area.js'
import { slug } from '../baseline/values.js'
import { refOf } from '../ref.js'
import { textBlocks } from '../text/plain.js'
import { textOf } from '../value.js'

export const frontPageSchema = z.union([
  z.literal('posts'),
  z.strictObject({
    page: slug.describe('The slug of the page that visitors see first'),
    posts: slug.optional().describe('The slug of the page that lists the posts then'),
  }),
])

export interface FrontPageItem {
  /** The ref of the page that visitors see first, or '' for the latest posts. */
  page: string
  /** The ref of the page that lists the posts, or ''. */
  posts: string
}

export const frontPage: Area<'frontPage', FrontPageItem> = {
  name: 'frontPage',
  title: 'front page',
  list: 'one',
  keys: ['page', 'posts'],
  ref: () => 'frontPage',
  plan({ frontPage }) {
    if (frontPage === undefined) return []
    if (frontPage === 'posts') return [{ item: { page: '', posts: '' } }]
    const posts = frontPage.posts === undefined ? '' : refOf('pages', frontPage.posts)
    return [{ item: { page: refOf('pages', frontPage.page), posts } }]
  },
  links: ['page', 'posts'],
  call: () => 'the front page',
  say: (key) => (key === 'page' ? 'front page' : 'page of the posts'),
  show: (key, value) => (value === '' ? (key === 'page' ? 'the latest posts' : 'none of its own') : textOf(value)),
  expect([item], _baseline, settled) {
    const page = settled.pages?.find(({ slug }) => refOf('pages', textOf(slug)) === item?.page)
    const [first] = textBlocks(textOf(page?.body))
    return first === undefined
      ? []
      : [{ name: `the front page is “${textOf(page?.title)}”`, at: 'front', look: 'shows', texts: [first] }]
  },
}

import { z } from 'zod'
import { knownItems } from '../baseline/known-item.js'
import { isGroup } from '../baseline/plain-values.js'
import type { Area } from '../area.js'
import { pagePath } from '../baseline/values.js'
import { textBlocks } from '../text/plain.js'
import { textOf } from '../value.js'
import { pageRef, pages, type PageItem } from './pages.js'

export const frontPageSchema = z.union([
  z.literal('posts'),
  z.strictObject({
    page: pagePath.describe('The page that visitors see first: its path, or its slug where it is the only one'),
    posts: pagePath.optional().describe('The page that lists the posts then'),
  }),
])

export interface FrontPageItem {
  /** The ref of the page that visitors see first, or '' for the latest posts. */
  page: string
  /** The ref of the page that lists the posts, or ''. */
  posts: string
}

/** Its part of the baseline file. */
export const frontPagePart = {
  frontPage: frontPageSchema
    .optional()
    .describe('What visitors see first: the latest posts, or a page')
    .meta({ examples: [{ page: 'home', posts: 'news' }] }),
}

export const frontPage: Area<'frontPage', FrontPageItem> = {
  name: 'frontPage',
  title: 'front page',
  list: 'one',
  questions: [{ key: 'frontPage', ask: 'What do visitors see first: the latest posts, or a page?' }],
  keys: ['page', 'posts'],
  mistakes(values, add) {
    const { frontPage } = values
    if (isGroup(frontPage))
      for (const key of ['page', 'posts']) knownItems(values, pages, add)(frontPage[key], ['frontPage', key])
  },
  ref: () => 'frontPage',
  plan(baseline) {
    const { frontPage } = baseline
    if (frontPage === undefined) return []
    if (frontPage === 'posts') return [{ item: { page: '', posts: '' } }]
    const posts = frontPage.posts === undefined ? '' : pageRef(frontPage.posts, baseline)
    return [{ item: { page: pageRef(frontPage.page, baseline), posts } }]
  },
  links: ['page', 'posts'],
  call: () => 'the front page',
  say: (key) => (key === 'page' ? 'front page' : 'page of the posts'),
  show: (key, value) => (value === '' ? (key === 'page' ? 'the latest posts' : 'none of its own') : textOf(value)),
  expect([item], _baseline, settled) {
    const page = settled.pages?.find((one) => pages.ref(one as unknown as PageItem) === item?.page)
    const [first] = textBlocks(textOf(page?.body))
    return first === undefined
      ? []
      : [{ name: `the front page is “${textOf(page?.title)}”`, at: 'front', look: 'entry', texts: [first] }]
  },
}

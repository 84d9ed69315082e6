import { z } from 'zod'
import { knownItems } from '../baseline/known-item.js'
import { fileAt } from '../baseline/named-files.js'
import { isGroup } from '../baseline/plain-values.js'
import { removes } from '../baseline/goes.js'
import type { Area } from '../area.js'
import { fileName, pagePath } from '../baseline/values.js'
import { sameText } from '../text/normal-form.js'
import { textBlocks } from '../text/plain.js'
import { textOf } from '../value.js'
import { pageRef, pages, type PageItem } from './pages.js'

export const frontPageSchema = z.union([
  z.literal('posts'),
  z.strictObject({
    text: fileName
      .describe('A file in CommonMark beside the baseline: the front page has a text of its own')
      .meta({ examples: ['pages/front.md'] }),
  }),
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
  /** Its own text, as HTML: where no page is the front page. */
  body?: string
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
  keys: ['page', 'posts', 'body'],
  shipped: 'The text that the front page has by itself',
  empties: ['body'],
  files: ({ frontPage }) => fileAt('body', frontPage, 'text', ['frontPage']),
  texts: ['body'],
  same: (key, wanted, found) => (key === 'body' ? sameText(textOf(wanted), textOf(found)) : wanted === found),
  mistakes(values, add) {
    const { frontPage } = values
    if (isGroup(frontPage))
      for (const key of ['page', 'posts']) knownItems(values, pages, add)(frontPage[key], ['frontPage', key])
  },
  ref: () => 'frontPage',
  plan(baseline) {
    const { frontPage } = baseline
    // a welcome that came with the system goes, with or without a page in its place
    if (frontPage === undefined)
      return removes(baseline.shipped, 'frontPage') ? [{ item: { body: '' } as FrontPageItem }] : []
    if (frontPage === 'posts') return [{ item: { page: '', posts: '' } }]
    if ('text' in frontPage) return [{ item: { page: '', posts: '', body: baseline.bodies[frontPage.text] ?? '' } }]
    // a welcome that came with the system would stay to be found behind the page
    const body = removes(baseline.shipped, 'frontPage') ? '' : undefined
    const posts = frontPage.posts === undefined ? '' : pageRef(frontPage.posts, baseline)
    return [{ item: { page: pageRef(frontPage.page, baseline), posts, body } }]
  },
  links: ['page', 'posts'],
  call: () => 'the front page',
  say: (key) => ({ page: 'front page', posts: 'page of the posts', body: 'text' })[key],
  show: (key, value) =>
    key === 'body' ? undefined : value === '' ? (key === 'page' ? 'no page' : 'none of its own') : textOf(value),
  expect([item], _baseline, settled) {
    const page = settled.pages?.find((one) => pages.ref(one as unknown as PageItem) === item?.page)
    const [first] = textBlocks(textOf(page ? page.body : item?.body))
    if (!page && first !== undefined)
      return [
        { name: 'the front page shows its text', at: 'front', look: 'entry', texts: textBlocks(textOf(item?.body)) },
      ]
    return first === undefined
      ? []
      : [{ name: `the front page is “${textOf(page?.title)}”`, at: 'front', look: 'entry', texts: [first] }]
  },
}

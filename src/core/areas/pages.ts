import { z } from 'zod'
import type { Area } from '../area.js'
import { fileName, slug } from '../baseline/values.js'
import { refOf } from '../ref.js'
import { sameText } from '../text/normal-form.js'
import { textBlocks } from '../text/plain.js'

export const pageSchema = z.strictObject({
  title: z
    .string()
    .min(1)
    .describe('The title of the page')
    .meta({ examples: ['Visit us'] }),
  slug: slug.describe('Its part of the address; a page is known by it'),
  body: fileName.optional().describe('A file in CommonMark beside the baseline; left out, the page stays empty'),
  replaces: z
    .literal('shipped')
    .optional()
    .describe('It takes over the first published page that came with the system'),
  was: slug.optional().describe('The slug it had before: it is renamed, not made a second time'),
})

export interface PageItem {
  title: string
  slug: string
  /** HTML. */
  body?: string
  /** Whether visitors can see it. */
  state?: 'published' | 'draft'
}

export const pages: Area<'pages', PageItem> = {
  name: 'pages',
  title: 'pages',
  list: 'at least',
  keys: ['title', 'slug', 'body', 'state'],
  ref: (item) => refOf('pages', item.slug),
  plan: ({ pages, bodies }) =>
    (pages ?? []).map(({ title, slug, body, replaces, was }) => ({
      item: { title, slug, body: body === undefined ? undefined : bodies[body], state: 'published' },
      was: was && refOf('pages', was),
      replacesShipped: replaces === 'shipped',
    })),
  texts: ['body'],
  same: (key, wanted, found) => (key === 'body' ? sameText(String(wanted), String(found)) : wanted === found),
  call: (item) => `the page “${item.title}”`,
  say: (key) => (key === 'body' ? 'text' : key),
  expect: (items) =>
    items.map((item) => ({
      name: `${pages.call(item)} shows its text`,
      at: { ref: pages.ref(item) },
      look: 'shows',
      texts: [item.title, ...textBlocks(item.body ?? '')],
    })),
}

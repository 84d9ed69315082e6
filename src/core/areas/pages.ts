import { filesAt } from '../baseline/names.js'
import { namedBy } from '../baseline/plain-values.js'
import { z } from 'zod'
import type { Area, Plan } from '../area.js'
import type { Baseline } from '../baseline/schema.js'
import { fileName, slug } from '../baseline/values.js'
import { refOf } from '../ref.js'
import { sameText } from '../text/normal-form.js'
import { textBlocks } from '../text/plain.js'
import { textOf } from '../value.js'

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
  get under() {
    return z.array(pageSchema).optional().describe('The pages below it')
  },
})
export type WantedPage = z.output<typeof pageSchema>

export interface PageItem {
  title: string
  slug: string
  /** HTML. */
  body?: string
  /** Whether visitors can see it. */
  state?: 'published' | 'draft'
  /** The ref of the page above it, or '' at the top. */
  parent?: string
  /** Its place among the pages beside it, from 1 on. */
  order?: number
}

/** All pages of a baseline, whatever they stand under. */
export const flatPages = ({ pages }: Pick<Baseline, 'pages'>): WantedPage[] => {
  const flat = (list: readonly WantedPage[]): WantedPage[] => list.flatMap((one) => [one, ...flat(one.under ?? [])])
  return flat(pages ?? [])
}

const planned = (wanted: readonly WantedPage[], parent: string, bodies: Baseline['bodies']): Plan<PageItem>[] =>
  wanted.flatMap(({ title, slug, body, replaces, was, under }, index) => [
    {
      item: {
        title,
        slug,
        body: body === undefined ? undefined : bodies[body],
        state: 'published',
        parent,
        order: index + 1,
      },
      was: was && refOf('pages', was),
      replacesShipped: replaces === 'shipped',
    },
    ...planned(under ?? [], refOf('pages', slug), bodies),
  ])

/** Its part of the baseline file. */
export const pagesPart = {
  pages: z
    .array(pageSchema)
    .optional()
    .describe('At least these pages')
    .meta({ examples: [[{ title: 'Visit us', slug: 'visit', body: 'pages/visit.md' }]] }),
}

export const pages: Area<'pages', PageItem> = {
  name: 'pages',
  title: 'pages',
  list: 'at least',
  shipped: 'Pages',
  gone: z.array(slug).describe('Slugs of pages'),
  guarded: true,
  keys: ['title', 'slug', 'body', 'state', 'parent', 'order'],
  named: ({ pages }) => namedBy(pages, 'slug', ['pages']),
  files: ({ pages }) => filesAt('body', pages, 'body', ['pages']),
  sampled: ({ pages }) => pages,
  ref: (item) => refOf('pages', item.slug),
  plan: ({ pages, bodies, sample }) => [
    ...planned(pages ?? [], '', bodies),
    ...(sample?.pages ?? []).map((item) => ({ item })),
  ],
  links: ['parent'],
  texts: ['body'],
  same: (key, wanted, found) => (key === 'body' ? sameText(textOf(wanted), textOf(found)) : wanted === found),
  call: (item) => `the page “${item.title}”`,
  say: (key) => (key === 'body' ? 'text' : key === 'parent' ? 'stands under' : key),
  expect: (items) =>
    items
      .filter(({ state }) => state === 'published')
      .map((item) => ({
        name: `${pages.call(item)} shows its text`,
        at: { ref: pages.ref(item) },
        look: 'shows',
        texts: [item.title, ...textBlocks(item.body ?? '')],
      })),
}

import { z } from 'zod'
import { filesAt } from '../baseline/named-files.js'
import { namedBy } from '../baseline/plain-values.js'
import type { Area, Plan } from '../area.js'
import type { Baseline } from '../baseline/schema.js'
import { fileName, slug, pagePath } from '../baseline/values.js'
import { showsEntry } from '../shows-entry.js'
import { refOf } from '../ref.js'
import { sameText } from '../text/normal-form.js'
import { textOf } from '../value.js'

export const pageSchema = z.strictObject({
  title: z
    .string()
    .min(1)
    .describe('The title of the page')
    .meta({ examples: ['Visit us'] }),
  slug: slug.describe('Its part of the address; a page is known by its path, as in visit/hours'),
  body: fileName.optional().describe('A file in CommonMark beside the baseline; left out, the page stays empty'),
  replaces: z
    .literal('shipped')
    .optional()
    .describe('It takes over the first published page that came with the system'),
  was: pagePath
    .optional()
    .describe(
      'The path it had before, or its slug where it was the only one: it is renamed or moved, not made a second time',
    ),
  get under() {
    return z.array(pageSchema).optional().describe('The pages below it')
  },
})
/** A page as the file has it. */
export type WantedPage = z.output<typeof pageSchema>

/** A page. */
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

/** A page of a baseline with its path. */
export interface PageAt {
  path: string
  page: WantedPage
}

/**
 * All pages of a baseline, whatever they stand under.
 * @example flatPages(baseline).map(({ page }) => page.title)
 */
export const flatPages = ({ pages }: Pick<Baseline, 'pages'>): PageAt[] => {
  const flat = (list: readonly WantedPage[], above: string): PageAt[] =>
    list.flatMap((page) => {
      const path = `${above}${page.slug}`
      return [{ path, page }, ...flat(page.under ?? [], `${path}/`)]
    })
  return flat(pages ?? [], '')
}

/** The page that a path means, or a slug where it is the only one. */
export function pageNamed(name: string, baseline: Pick<Baseline, 'pages'>): PageAt | undefined {
  const all = flatPages(baseline)
  return all.find(({ path }) => path === name) ?? all.find(({ page }) => page.slug === name)
}
/** Its ref; a sample may bring pages that stand in no file. */
export const pageRef = (name: string, baseline: Pick<Baseline, 'pages'>): string =>
  refOf('pages', pageNamed(name, baseline)?.path ?? name)

/**
 * The refs of items that stand one under the other, by their ids, as a system tells them: `pages/visit/hours`.
 * @example refsInTree('pages', [{ id: 2, slug: 'visit', parent: 0 }, { id: 5, slug: 'hours', parent: 2 }]).get(5) // 'pages/visit/hours'
 */
export function refsInTree<K extends string | number>(
  area: string,
  items: readonly { id: K; slug: string; parent: K }[],
): ReadonlyMap<K, string> {
  const byId = new Map(items.map((item) => [item.id, item]))
  const refs = new Map<K, string>()
  const refAt = (id: K, below: ReadonlySet<K>): string => {
    const item = byId.get(id)
    if (!item || below.has(id)) return area
    const ref = refs.get(id) ?? `${refAt(item.parent, new Set([...below, id]))}/${item.slug}`
    refs.set(id, ref)
    return ref
  }
  for (const { id } of items) refAt(id, new Set())
  return refs
}

const planned = (
  wanted: readonly WantedPage[],
  parent: string,
  before: string,
  bodies: Baseline['bodies'],
): Plan<PageItem>[] =>
  wanted.flatMap(({ title, slug, body, replaces, was, under }, index) => {
    const ref = `${parent || 'pages'}/${slug}`
    // under a page that is renamed, what is not named itself stood under the old name
    const stood = was?.includes('/') ? refOf('pages', was) : `${before || 'pages'}/${was ?? slug}`
    return [
      {
        item: {
          title,
          slug,
          body: body === undefined ? undefined : bodies[body],
          state: 'published' as const,
          parent,
          order: index + 1,
        },
        was: stood === ref ? undefined : stood,
        ...(was !== undefined && !was.includes('/') && { wasAnywhere: true as const }),
        replacesShipped: replaces === 'shipped',
      },
      ...planned(under ?? [], ref, stood, bodies),
    ]
  })

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
  questions: [{ key: 'pages', ask: 'Which pages does it have?' }],
  shipped: 'Pages',
  gone: z.array(pagePath).describe('Paths of pages, or slugs where they are the only ones'),
  guarded: true,
  keys: ['title', 'slug', 'body', 'state', 'parent', 'order'],
  named: ({ pages }) => namedBy(pages, 'slug', ['pages'], (own, above) => (above === '' ? own : `${above}/${own}`)),
  files: ({ pages }) => filesAt('body', pages, 'body', ['pages']),
  sampled: ({ pages }) => pages,
  stays: ({ slug }) => slug,
  formerRef: (ref) => `pages/${ref.split('/').at(-1) ?? ''}`,
  ref: ({ parent, slug }) => (parent ? `${parent as `pages/${string}`}/${slug}` : refOf('pages', slug)),
  plan: ({ pages, bodies, sample }) => [
    ...planned(pages ?? [], '', '', bodies),
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
      .map((item) => showsEntry(pages.call(item), pages.ref(item), item)),
}

import { z } from 'zod'
import { filesAt } from '../baseline/named-files.js'
import { namedBy } from '../baseline/plain-values.js'
import { isLevel, whoText } from '../access/who.js'
import type { Area, Plan } from '../area.js'
import type { Baseline } from '../baseline/schema.js'
import { fileName, groupList, readers, sitePlace, slug, pagePath } from '../baseline/values.js'
import { letsMoreIn, namesOf, needsNoSaying, readersOf, sameNames } from '../reading/readers.js'
import { pageEyes } from '../reading/eyes.js'
import { readingMistakes } from '../reading/mistakes.js'
import { isPublishing } from '../publishing-state.js'
import { showsEntry } from '../shows-entry.js'
import { refOf } from '../ref.js'
import { sameText } from '../text/normal-form.js'
import { slugOf } from '../text/slug-of.js'
import { textOf, yesOrNo } from '../value.js'

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
  summary: z
    .string()
    .optional()
    .describe('What it is about, in a line or two: where lists of pages show it')
    .meta({ examples: ['How to find us, and when'] }),
  tags: z
    .array(z.string().min(1))
    .optional()
    .describe('Exactly these tags, by their names')
    .meta({ examples: [['history']] }),
  state: z.enum(['published', 'draft']).optional().describe('Whether it is to be seen at all; left out: it is'),
  hidden: z.boolean().optional().describe('Whether menus that list pages leave it out'),
  for: readers.optional().describe('Who may read it and all below it; left out: whoever may read what it stands under'),
  may: z
    .strictObject({
      write: groupList.optional().describe('Groups that may add pages below it'),
      edit: groupList.optional().describe('Groups that may change it, and what is below it'),
    })
    .optional()
    .describe('Who may work on it, beside you')
    .meta({ examples: [{ edit: ['Volunteers'] }] }),
  movedFrom: z
    .array(sitePlace)
    .optional()
    .describe('Old addresses that lead to it, from the site’s address on')
    .meta({ examples: [['/opening-times']] }),
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
  summary?: string
  /** Refs of its tags. */
  tags?: readonly string[]
  /** Menus that list pages leave it out. */
  hidden?: boolean
  /** Who may read it: `everyone`, `members`, or names of groups. */
  for?: readonly string[]
  /** Names of groups that may add pages below it. */
  'may.write'?: readonly string[]
  /** Names of groups that may change it. */
  'may.edit'?: readonly string[]
  /** Old addresses that lead to it, from the site's address on. */
  movedFrom?: readonly string[]
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

const planned = (
  wanted: readonly WantedPage[],
  parent: string,
  before: string,
  bodies: Baseline['bodies'],
  above: readonly string[] = readersOf(undefined),
  workers: WantedPage['may'] = {},
): Plan<PageItem>[] =>
  wanted.flatMap(({ title, slug, body, replaces, was, under, ...more }, index) => {
    const may = readersOf(more.for, above)
    const work = { ...workers, ...more.may }
    const state = more.state ?? ('published' as const)
    const ref = `${parent || 'pages'}/${slug}`
    // under a page that is renamed, what is not named itself stood under the old name
    const stood = was?.includes('/') ? refOf('pages', was) : `${before || 'pages'}/${was ?? slug}`
    return [
      {
        item: {
          title,
          slug,
          body: body === undefined ? undefined : bodies[body],
          state,
          summary: more.summary,
          tags: more.tags?.map((name) => refOf('tags', slugOf(name))),
          hidden: more.hidden,
          // a draft is nobody's to read yet
          for: state === 'draft' ? undefined : may,
          'may.write': work.write,
          'may.edit': work.edit,
          movedFrom: more.movedFrom?.map((place) => place.replace(/(?<=.)\/$/, '')),
          parent,
          order: index + 1,
        },
        was: stood === ref ? undefined : stood,
        ...(was !== undefined && !was.includes('/') && { wasAnywhere: true as const }),
        replacesShipped: replaces === 'shipped',
      },
      ...planned(under ?? [], ref, stood, bodies, may, work),
    ]
  })

const words: Partial<Record<keyof PageItem, string>> = {
  body: 'text',
  parent: 'stands under',
  hidden: 'left out of menus',
  for: 'who may read it',
  'may.write': 'who may add pages below it',
  'may.edit': 'who may change it',
  movedFrom: 'old addresses',
}
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
  empties: ['body', 'summary'],
  keys: [
    ...(['title', 'slug', 'summary', 'body', 'tags', 'state', 'for', 'may.write', 'may.edit'] as const),
    ...(['parent', 'order', 'hidden', 'movedFrom'] as const),
  ],
  apart: ['state', 'for', 'may.write', 'may.edit', 'order', 'movedFrom'],
  closedAtFirst: ['state'],
  must: ['for'],
  unsaid: ['order'],
  ranks: ['order'],
  mistakes: readingMistakes,
  named: ({ pages }) => namedBy(pages, 'slug', ['pages'], (own, above) => (above === '' ? own : `${above}/${own}`)),
  files: ({ pages }) => filesAt('body', pages, 'body', ['pages']),
  sampled: ({ pages }) => pages,
  stays: ({ slug }) => slug,
  ref: ({ parent, slug }) => (parent ? `${parent as `pages/${string}`}/${slug}` : refOf('pages', slug)),
  plan: ({ pages, bodies, sample }) => [
    ...planned(pages ?? [], '', '', bodies),
    ...(sample?.pages ?? []).map((item) => ({ item })),
  ],
  links: ['parent', 'tags'],
  under: 'parent',
  texts: ['body'],
  trusts: ({ for: who = [], ...item }) =>
    [...who, ...(item['may.write'] ?? []), ...(item['may.edit'] ?? [])].flatMap((name) =>
      isLevel(name) ? [] : [refOf('groups', name)],
    ),
  opens: (wanted, found) => isPublishing(wanted, found) || letsMoreIn(wanted.for ?? [], found.for ?? []),
  same(key, wanted, found) {
    if (key === 'body') return sameText(textOf(wanted), textOf(found))
    if (key === 'for') return needsNoSaying(wanted, found) || sameNames(wanted, found)
    if (key === 'movedFrom') return namesOf(wanted).every((place) => namesOf(found).includes(place))
    if (key === 'tags' || key === 'may.write' || key === 'may.edit') return sameNames(wanted, found)
    return wanted === found || (key === 'hidden' && wanted === false && found === '')
  },
  call: (item) => `the page “${item.title}”`,
  say: (key) => words[key] ?? key,
  show: (key, value) =>
    key === 'for' || key === 'may.write' || key === 'may.edit' ? whoText(namesOf(value)) : yesOrNo(value),
  eyes: pageEyes((item) => pages.ref(item), pageRef),
  expect: (items) =>
    items
      .filter(({ state, for: who }) => state === 'published' && (who?.includes('everyone') ?? true))
      .flatMap((item) => [
        showsEntry(pages.call(item), pages.ref(item), item),
        ...(item.movedFrom ?? []).map((place) => ({
          name: `${place} leads to ${pages.call(item)}`,
          at: { ref: pages.ref(item) },
          look: 'leads-here' as const,
          from: place,
        })),
      ]),
}

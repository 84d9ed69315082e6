import { z } from 'zod'
import { knownItems } from '../baseline/known-item.js'
import { isGroup, groupsIn } from '../baseline/plain-values.js'
import type { Area, Value } from '../area.js'
import type { Baseline } from '../baseline/schema.js'
import { placeName, slug, pagePath } from '../baseline/values.js'
import { refOf } from '../ref.js'
import { textOf } from '../value.js'
import { flatCategories, categories } from './categories.js'
import { pageNamed, pageRef, pages, type PageItem } from './pages.js'

const label = z.string().min(1).optional().describe('What it says; left out, the title of what it leads to')
export const menuEntrySchema = z
  .union([
    z.strictObject({
      page: pagePath.describe('A page of this file: its path, or its slug where it is the only one'),
      label,
    }),
    z.strictObject({ category: slug.describe('The slug of a category of this file'), label }),
    z.strictObject({
      label: z.string().min(1).describe('What it says'),
      link: z.url({ protocol: /^https?$/, error: 'a whole http or https address' }).describe('Where it leads'),
    }),
  ])
  .meta({ examples: [{ page: 'home' }] })
export const menusSchema = z.record(placeName, z.array(menuEntrySchema))
type WantedEntry = z.output<typeof menuEntrySchema>

/** An entry leads to an item, by its ref, or to a link. */
export type MenuEntry = { ref: string; label: string } | { link: string; label: string }

export interface MenuItem {
  /** Where the theme shows it: `main`, `footer`. */
  place: string
  entries: readonly MenuEntry[]
}

function entryOf(wanted: WantedEntry, baseline: Baseline): MenuEntry {
  if ('link' in wanted) return { link: wanted.link, label: wanted.label }
  const [ref, title] =
    'page' in wanted
      ? [pageRef(wanted.page, baseline), pageNamed(wanted.page, baseline)?.page.title]
      : [
          refOf('categories', wanted.category),
          flatCategories(baseline).find(({ slug }) => slug === wanted.category)?.name,
        ]
  return { ref, label: wanted.label ?? title ?? ref }
}

const labels = (entries: Value): string[] =>
  Array.isArray(entries) ? (entries as MenuEntry[]).map(({ label }) => label) : []

/** Its part of the baseline file. */
export const menusPart = {
  menus: menusSchema
    .optional()
    .describe('Menus by the place where the theme shows them: exactly these entries, in this order')
    .meta({ examples: [{ main: [{ page: 'home' }, { label: 'Tools', link: 'https://tools.repair.example/' }] }] }),
}

/** Menus: each place means exactly these entries, in this order. */
export const menus: Area<'menus', MenuItem> = {
  name: 'menus',
  title: 'menus',
  list: 'at least',
  questions: [{ key: 'menus', ask: 'Which links stand in its menus?' }],
  shipped: 'Menus',
  gone: z.array(placeName).describe('Places of menus'),
  follows: ['theme', 'publishing', 'frontPage', 'pages', 'categories'],
  keys: ['place', 'entries'],
  mistakes(values, add) {
    const [page, category] = [knownItems(values, pages, add), knownItems(values, categories, add)]
    for (const [place, entries] of Object.entries(isGroup(values.menus) ? values.menus : {}))
      for (const [entry, index] of groupsIn(entries)) {
        page(entry.page, ['menus', place, index, 'page'])
        category(entry.category, ['menus', place, index, 'category'])
      }
  },
  ref: (item) => refOf('menus', item.place),
  plan: (baseline) =>
    Object.entries(baseline.menus ?? {}).map(([place, entries]) => ({
      item: { place, entries: entries.map((entry) => entryOf(entry, baseline)) },
    })),
  links: ['entries'],
  toldWhenMissing: ['entries'],
  call: (item) => `the menu “${item.place}”`,
  show: (key, value) => (key === 'entries' ? labels(value).join(' · ') : textOf(value)),
  expect(items, _baseline, settled) {
    // what leads to a page that visitors can't see yet, themes leave out
    const drafts = new Set(
      (settled.pages ?? []).flatMap((one) =>
        one.state === 'draft' ? [pages.ref(one as unknown as PageItem) as string] : [],
      ),
    )
    return items.flatMap((item) => {
      const shown = item.entries.filter((entry) => !('ref' in entry) || !drafts.has(entry.ref))
      return shown.length === 0
        ? []
        : [
            {
              name: `visitors find ${menus.call(item)}`,
              at: 'front' as const,
              look: 'links' as const,
              labels: shown.map(({ label }) => label),
              within: 'navigation',
            },
          ]
    })
  },
}

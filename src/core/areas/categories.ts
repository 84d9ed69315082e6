import { z } from 'zod'
import { filesAt } from '../baseline/named-files.js'
import { namedBy } from '../baseline/plain-values.js'
import type { Area, Plan } from '../area.js'
import type { Baseline } from '../baseline/schema.js'
import { fileName, slug } from '../baseline/values.js'
import { refOf } from '../ref.js'
import type { Upload } from '../upload.js'
import { yesOrNo } from '../value.js'

export const categorySchema = z.strictObject({
  name: z.string().min(1).describe('The name that visitors see'),
  slug: slug.describe('Its part of the address; a category is known by it'),
  description: z.string().optional().describe('What belongs into it'),
  picture: fileName
    .optional()
    .describe('A picture beside the baseline, where the system shows one')
    .meta({ examples: ['files/beans.png'] }),
  replaces: z.literal('shipped').optional().describe('It takes over the category that came with the system'),
  default: z.literal(true).optional().describe('Posts that name no category stand in this one'),
  was: slug.optional().describe('The slug it had before: it is renamed, not made a second time'),
  get under() {
    return z.array(categorySchema).optional().describe('The categories below it')
  },
})
/** A category as the file has it. */
export type WantedCategory = z.output<typeof categorySchema>

/** A category of posts. */
export interface CategoryItem {
  name: string
  slug: string
  description?: string
  /** The ref of the category above it, or '' at the top. */
  parent: string
  /** True for the one in which posts stand that name none. */
  default?: boolean
  /** The ref of the upload that is its picture. */
  picture?: string
  /** Its place among those beside it, from 1 on, where the system has an order. */
  order?: number
}

/**
 * All categories of a baseline, whatever they stand under.
 * @example flatCategories(baseline).map(({ slug }) => slug)
 */
export const flatCategories = ({ categories }: Pick<Baseline, 'categories'>): WantedCategory[] => {
  const flat = (list: readonly WantedCategory[]): WantedCategory[] =>
    list.flatMap((one) => [one, ...flat(one.under ?? [])])
  return flat(categories ?? [])
}

const planned = (
  wanted: readonly WantedCategory[],
  parent: string,
  uploads: Baseline['uploads'],
): Plan<CategoryItem>[] =>
  wanted.flatMap(({ name, slug, description, replaces, was, under, default: isDefault, picture }, index) => [
    {
      item: {
        ...{ name, slug, description, parent, default: isDefault, order: index + 1 },
        picture: pictureRef(uploads[picture ?? '']),
      },
      was: was && refOf('categories', was),
      replacesShipped: replaces === 'shipped',
    },
    ...planned(under ?? [], refOf('categories', slug), uploads),
  ])

const pictureRef = (upload: Upload | undefined): string | undefined => upload && refOf('media', upload.name)

/** Its part of the baseline file. */
export const categoriesPart = {
  categories: z
    .array(categorySchema)
    .optional()
    .describe('At least these categories')
    .meta({ examples: [[{ name: 'Repairs', slug: 'repairs' }]] }),
}

export const categories: Area<'categories', CategoryItem> = {
  name: 'categories',
  title: 'categories',
  list: 'at least',
  questions: [{ key: 'categories', ask: 'Into which categories do posts go?' }],
  shipped: 'Categories',
  gone: z.array(slug).describe('Slugs of categories'),
  guarded: true,
  empties: ['description'],
  apart: ['default'],
  holds: [
    { area: 'posts', by: 'categories' },
    { area: 'products', by: 'categories' },
  ],
  keys: ['name', 'slug', 'description', 'parent', 'order', 'picture', 'default'],
  named: ({ categories }) => namedBy(categories, 'slug', ['categories']),
  files: ({ categories }) => filesAt('picture', categories, 'picture', ['categories']),
  sampled: ({ categories }) => categories,
  ref: (item) => refOf('categories', item.slug),
  plan: ({ categories, sample, uploads }) => [
    ...planned(categories ?? [], '', uploads),
    ...(sample?.categories ?? []).map((item) => ({ item })),
  ],
  takenOver: '“replaces: shipped” in the baseline takes it over, or “default: true” frees it',
  links: ['parent', 'picture'],
  under: 'parent',
  unsaid: ['order'],
  ranks: ['order'],
  call: (item) => `the category “${item.name}”`,
  say: (key) => (key === 'parent' ? 'stands under' : key === 'default' ? 'for posts without one' : key),
  show: (_key, value) => yesOrNo(value),
  expect: (items) =>
    items.map((item) => ({
      name: `the page of ${categories.call(item)} opens`,
      at: { ref: categories.ref(item) },
      look: 'entry',
      title: item.name,
      texts: [],
    })),
}

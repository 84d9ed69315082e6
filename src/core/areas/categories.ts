import { z } from 'zod'
import type { Area, Plan } from '../area.js'
import { slug } from '../baseline/values.js'
import { refOf } from '../ref.js'

export const categorySchema = z.strictObject({
  name: z.string().min(1).describe('The name that visitors see'),
  slug: slug.describe('Its part of the address; a category is known by it'),
  description: z.string().optional().describe('What belongs into it'),
  replaces: z.literal('shipped').optional().describe('It takes over the category that came with the system'),
  was: slug.optional().describe('The slug it had before: it is renamed, not made a second time'),
  get under() {
    return z.array(categorySchema).optional().describe('The categories below it')
  },
})
export type WantedCategory = z.output<typeof categorySchema>

export interface CategoryItem {
  name: string
  slug: string
  description?: string
  /** The ref of the category above it, or '' at the top. */
  parent: string
}

const planned = (wanted: readonly WantedCategory[], parent: string): Plan<CategoryItem>[] =>
  wanted.flatMap(({ name, slug, description, replaces, was, under }) => [
    {
      item: { name, slug, description, parent },
      was: was && refOf('categories', was),
      replacesShipped: replaces === 'shipped',
    },
    ...planned(under ?? [], refOf('categories', slug)),
  ])

export const categories: Area<'categories', CategoryItem> = {
  name: 'categories',
  title: 'categories',
  list: 'at least',
  keys: ['name', 'slug', 'description', 'parent'],
  ref: (item) => refOf('categories', item.slug),
  plan: ({ categories }) => planned(categories ?? [], ''),
  links: ['parent'],
  call: (item) => `the category “${item.name}”`,
  say: (key) => (key === 'parent' ? 'stands under' : key),
  expect: (items) =>
    items.map((item) => ({
      name: `the page of ${categories.call(item)} opens`,
      at: { ref: categories.ref(item) },
      look: 'shows',
      texts: [item.name],
    })),
}

import type { Area } from '../area.js'
import { refOf } from '../ref.js'

export interface LinkCategoryItem {
  name: string
  slug: string
}

/** What links to other sites are sorted into. */
export const linkCategories: Area<'linkCategories', LinkCategoryItem> = {
  name: 'linkCategories',
  title: 'categories of links',
  key: 'links',
  list: 'at least',
  guarded: true,
  keys: ['name', 'slug'],
  ref: (item) => refOf('linkCategories', item.slug),
  plan: ({ links }) =>
    links?.category
      ? [
          {
            item: { name: links.category.name, slug: links.category.slug },
            replacesShipped: links.category.replaces === 'shipped',
          },
        ]
      : [],
  call: (item) => `the link category “${item.name}”`,
}

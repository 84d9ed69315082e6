import { z } from 'zod'
import { slug } from '../baseline/values.js'
import type { Area } from '../area.js'
import { refOf } from '../ref.js'
import { slugOf } from '../text/slug-of.js'
import { flatPages } from './pages.js'

/** A tag of posts and pages. */
export interface TagItem {
  name: string
  slug: string
}

/** Tags: those that posts and pages of the baseline name. */
export const tags: Area<'tags', TagItem> = {
  name: 'tags',
  title: 'tags',
  list: 'at least',
  gone: z.array(slug).describe('Slugs of tags'),
  guarded: true,
  keys: ['name', 'slug'],
  sampled: ({ tags }) => tags,
  ref: (item) => refOf('tags', item.slug),
  plan({ pages, posts, sample }) {
    const tagged = [...(posts ?? []), ...flatPages({ pages }).map(({ page }) => page)]
    const named = tagged.flatMap(({ tags }) => tags ?? []).map((name) => ({ name, slug: slugOf(name) }))
    const all = [...named, ...(sample?.tags ?? [])]
    return [...new Map(all.map((item) => [item.slug, { item }])).values()]
  },
  call: (item) => `the tag “${item.name}”`,
}

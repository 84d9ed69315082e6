import { z } from 'zod'
import { slug } from '../baseline/values.js'
import type { Area } from '../area.js'
import { refOf } from '../ref.js'
import { slugOf } from '../text/slug-of.js'

/** A tag of posts. */
export interface TagItem {
  name: string
  slug: string
}

/** Tags: those that posts of the baseline name. */
export const tags: Area<'tags', TagItem> = {
  name: 'tags',
  title: 'tags',
  list: 'at least',
  gone: z.array(slug).describe('Slugs of tags'),
  guarded: true,
  keys: ['name', 'slug'],
  sampled: ({ tags }) => tags,
  ref: (item) => refOf('tags', item.slug),
  plan({ posts, sample }) {
    const named = (posts ?? []).flatMap(({ tags }) => tags ?? []).map((name) => ({ name, slug: slugOf(name) }))
    const all = [...named, ...(sample?.tags ?? [])]
    return [...new Map(all.map((item) => [item.slug, { item }])).values()]
  },
  call: (item) => `the tag “${item.name}”`,
}

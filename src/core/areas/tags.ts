import type { Area } from '../area.js'
import { refOf } from '../ref.js'

export interface TagItem {
  name: string
  slug: string
}

/** Tags are looked at, so that somebody's own are seen. */
export const tags: Area<'tags', TagItem> = {
  name: 'tags',
  title: 'tags',
  list: 'at least',
  keys: ['name', 'slug'],
  ref: (item) => refOf('tags', item.slug),
  plan: () => [],
  call: (item) => `the tag “${item.name}”`,
}

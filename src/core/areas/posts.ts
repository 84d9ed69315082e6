import type { Area } from '../area.js'
import { refOf } from '../ref.js'

export interface PostItem {
  title: string
  slug: string
}

/** Posts: what shipped goes; the owner's own are seen and left alone. */
export const posts: Area<'posts', PostItem> = {
  name: 'posts',
  title: 'posts',
  list: 'at least',
  keys: ['title', 'slug'],
  ref: (item) => refOf('posts', item.slug),
  plan: () => [],
  call: (item) => `the post “${item.title}”`,
}

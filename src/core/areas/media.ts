import type { Area } from '../area.js'
import { refOf } from '../ref.js'

export interface MediaItem {
  name: string
}

/** Uploads are looked at, so that somebody's own are seen. */
export const media: Area<'media', MediaItem> = {
  name: 'media',
  title: 'uploads',
  list: 'at least',
  keys: ['name'],
  ref: (item) => refOf('media', item.name),
  plan: () => [],
  call: (item) => `the upload “${item.name}”`,
}

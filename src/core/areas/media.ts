import type { Area } from '../area.js'
import { refOf } from '../ref.js'

export interface MediaItem {
  /** The file's name without its ending; ours end in the first eight digits of their content's SHA-256. */
  name: string
}

/** Uploads: the files that the baseline names, each once, known by its content. */
export const media: Area<'media', MediaItem> = {
  name: 'media',
  title: 'uploads',
  key: 'uploads',
  list: 'at least',
  keys: ['name'],
  ref: (item) => refOf('media', item.name),
  plan: ({ uploads }) => Object.values(uploads).map(({ name }) => ({ item: { name } })),
  call: (item) => `the upload “${item.name}”`,
}

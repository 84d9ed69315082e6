import { z } from 'zod'
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
  shipped: 'Uploads, and what failed ones left',
  gone: z.array(z.string().min(1)).describe('Uploads, by their names without ending'),
  keys: ['name'],
  sampled: ({ pictures }, { uploads, samples = '' }) =>
    pictures.flatMap((name) => uploads[`${samples.replace(/[^/]*$/, '')}${name}`] ?? []).map(({ name }) => ({ name })),
  ref: (item) => refOf('media', item.name),
  plan: ({ uploads }) => Object.values(uploads).map(({ name }) => ({ item: { name } })),
  call: (item) => `the upload “${item.name}”`,
}

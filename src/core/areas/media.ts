import { z } from 'zod'
import type { Area } from '../area.js'
import { needsNoSaying, sameNames } from '../reading/readers.js'
import { uploadReaders } from '../reading/uploads.js'
import { refOf } from '../ref.js'

export interface MediaItem {
  /** The file's name without its ending; ours end in the first eight digits of their content's SHA-256. */
  name: string
  /** Who may see it: as many as may read the most open page that shows it. */
  for?: readonly string[]
}

/** Uploads: the files that the baseline names, each once, known by its content. */
export const media: Area<'media', MediaItem> = {
  name: 'media',
  title: 'uploads',
  key: 'uploads',
  list: 'at least',
  shipped: 'Uploads, and what failed ones left',
  gone: z.array(z.string().min(1)).describe('Uploads, by their names without ending'),
  keys: ['name', 'for'],
  sampled: ({ pictures }, { uploads, samples = '' }) =>
    pictures.flatMap((name) => uploads[`${samples.replace(/[^/]*$/, '')}${name}`] ?? []).map(({ name }) => ({ name })),
  ref: (item) => refOf('media', item.name),
  plan(baseline) {
    const readers = uploadReaders(baseline)
    return Object.values(baseline.uploads).map(({ name }) => ({ item: { name, for: readers.get(name) } }))
  },
  same: (key, wanted, found) =>
    key === 'for' ? needsNoSaying(wanted, found) || sameNames(wanted, found) : wanted === found,
  must: ['for'],
  say: (key) => (key === 'for' ? 'who may see it' : key),
  call: (item) => `the upload “${item.name}”`,
}

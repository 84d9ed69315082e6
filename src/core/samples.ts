import { areas } from './areas/index.js'
import type { Baseline } from './baseline/schema.js'
import { refOf } from './ref.js'

/** The refs of what a baseline's sample content brings. */
export function sampleRefs({ sample, uploads, samples = '' }: Baseline): ReadonlySet<string> {
  if (!sample) return new Set()
  const folder = samples.replace(/[^/]*$/, '')
  const pictures = sample.pictures.flatMap((name) => uploads[`${folder}${name}`] ?? [])
  return new Set<string>([
    ...sample.categories.map((item) => areas.categories.ref(item)),
    ...sample.tags.map((item) => areas.tags.ref(item)),
    ...sample.pages.map((item) => areas.pages.ref(item)),
    ...sample.posts.map((item) => areas.posts.ref(item)),
    ...pictures.map(({ name }) => refOf('media', name)),
  ])
}

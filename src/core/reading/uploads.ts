import type { Baseline } from '../baseline/schema.js'
import { sourcesIn } from '../text/pictures.js'
import { uploadIn } from '../upload.js'
import { flatReaders } from './readers.js'

/**
 * Who may see each upload, by its name: it is as closed as the most open page that shows it. Those that no closed page shows
 * are everybody's.
 */
export function uploadReaders(baseline: Baseline): ReadonlyMap<string, readonly string[]> {
  const shown = new Map<string, Set<string>>()
  const open = new Set<string>()
  const named = (file: string | undefined) =>
    sourcesIn((file === undefined ? undefined : baseline.bodies[file]) ?? '').flatMap(
      (source) => uploadIn(source) ?? [],
    )
  for (const { page, may } of flatReaders(baseline.pages))
    for (const name of named(page.body)) {
      if (may.includes('everyone')) open.add(name)
      else shown.set(name, new Set([...(shown.get(name) ?? []), ...may]))
    }
  const { posts = [], events = [], frontPage, sidebars = {}, site, uploads, sample } = baseline
  const others = [
    ...[...posts, ...events].filter(({ state }) => state !== 'draft').map(({ body }) => body),
    typeof frontPage === 'object' && 'text' in frontPage ? frontPage.text : undefined,
    ...Object.values(sidebars).flatMap((parts) =>
      parts.map((part) => (typeof part === 'object' ? part.text : undefined)),
    ),
  ].flatMap(named)
  const pictures = [site.icon, site.logo].flatMap((file) => uploads[file ?? '']?.name ?? [])
  const sampled = [...(sample?.pages ?? []), ...(sample?.posts ?? [])].flatMap(({ body = '' }) =>
    sourcesIn(body).flatMap((source) => uploadIn(source) ?? []),
  )
  for (const name of [...others, ...pictures, ...sampled]) open.add(name)
  return new Map(
    Object.values(uploads).map(({ name }) => {
      const who = shown.get(name)
      return [name, open.has(name) || !who ? ['everyone'] : who.has('members') ? ['members'] : [...who].sort()]
    }),
  )
}

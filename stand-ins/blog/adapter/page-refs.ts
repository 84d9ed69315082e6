import { refsInTree } from 'unpack'
import type { Row } from '../../common/adapter/session.js'

/** The refs of pages, by their numbers: each with those it stands under. */
export const pageRefs = (rows: readonly Row[]): ReadonlyMap<string, string> =>
  refsInTree(
    'pages',
    rows.map(({ id, data }) => ({ id: String(id), slug: data.slug ?? '', parent: data.parent ?? '' })),
  )

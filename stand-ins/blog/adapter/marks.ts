import { digest, foldSpace, textBlocks, leadsIn, type Marks } from 'unpack'
import { atBirth } from '../../common/adapter/first-minutes.js'
import type { Row } from '../../common/adapter/session.js'
import { shippedTexts } from './shipped-texts.js'

/** Marks of what ships, before anybody touched it. */
export const shipped: Marks = { place: true, untouched: true, known: true }

/** How long the first minutes of a blog last, in milliseconds: a host adds pages of its own to it. */
const FIRST_MINUTES = 60_000

/** The page about privacy ships as a draft. */
const DRAFT = 3

/**
 * Marks of a post or page.
 * @param ids the numbers that shipped ones have
 * @param born when the blog was made
 */
export function marksOf(row: Row, body: string, ids: readonly number[], born: string | undefined): Marks {
  const { id, data } = row
  return {
    place: ids.includes(id) && data.by === '1',
    untouched:
      data.made === data.edited &&
      data.state === (id === DRAFT ? 'draft' : 'published') &&
      (data.date ?? data.made?.slice(0, 16)) === data.made?.slice(0, 16) &&
      (data.categories ?? '1') === '1' &&
      (data.tags ?? '') === '' &&
      data.open !== 'false',
    // none of what ships leads anywhere, or shows a picture
    known: shippedTexts.has(digest(foldSpace(textBlocks(body).join(' ')))) && leadsIn(body).length === 0,
    early: data.by === '1' && data.made === data.edited && atBirth(row, born, FIRST_MINUTES),
    hidden: data.state !== 'published',
  }
}

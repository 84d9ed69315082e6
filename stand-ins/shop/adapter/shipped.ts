import { digest, foldSpace, leadsIn, textBlocks, type Marks } from 'unpack'
import { atBirth } from '../../common/adapter/first-minutes.js'
import type { Row } from '../../common/adapter/session.js'

/** Marks of what ships, before anybody touched it. */
export const shipped: Marks = { place: true, untouched: true, known: true }

/** Digests of the texts that ship: stripped of tags, white space folded. */
const digests: ReadonlySet<string> = new Set([
  '8780ad7bdc17bcc715d6cdafd212fea60af58a02e67665abc66ed577bdd60239',
  'eb4729793980f695dd8ec34d7f1bf319382b808ec40d053f4359e8647fca6ae3',
  '273da207bc16e662e51880252f9b5c5d9695a85e8e729c62a53f31d80869b6a1',
  'd46fc5697618c497ddc58ac55905ecf2a7429a5e53b725448811b994a96b2d91',
  'df570131b48cf416f06c1525a0f228ed019683dfcf7584d902d065f37f836d81',
])

/** Whether a text is one that ships: none of them leads anywhere, or shows a picture. */
export const isShippedText = (html: string): boolean =>
  digests.has(digest(foldSpace(textBlocks(html).join(' ')))) && leadsIn(html).length === 0

/**
 * Marks of a product, a category or a page.
 * @param ids the numbers that shipped ones have
 * @param since when the shop was set up
 */
export function marksOf(row: Row, text: string, ids: readonly number[], since: string): Marks {
  const { id, data } = row
  const hidden = data.state === 'hidden' || data.state === 'draft'
  return {
    place: ids.includes(id),
    untouched: data.made === data.edited && !hidden,
    known: isShippedText(text),
    early: !hidden && data.made === data.edited && atBirth(row, since),
    hidden,
  }
}

/** What the shop comes with: names, slugs and prices. */
export const samples = {
  categories: [
    ['Odds', 'odds'],
    ['Ends', 'ends'],
  ],
  products: [
    ['A sample mug', 'a-sample-mug', 'SAMPLE-1', 'odds'],
    ['A sample bag', 'a-sample-bag', 'SAMPLE-2', 'ends'],
  ],
} as const

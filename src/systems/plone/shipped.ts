import type { Marks } from '../../core/shipped.js'
import { digest } from '../../core/text/digest.js'
import { strippedText } from '../../core/text/plain.js'
import type { Node, Tree } from './nodes.js'

/** What example content is made of, in every language: its numbers are fixed, and tell it wherever it was moved to. */
const SHIPPED: Readonly<Record<string, { created: string; modified: string; holds: number; state?: 'private' }>> = {
  '54163be595184b4eb0a0b82a58b8def8': {
    ...{ created: '2023-05-18T18:07:36', modified: '2023-05-18T18:07:36', holds: 0, state: 'private' },
  },
  '4053ffb6901342ac991afb54da15ab77': { created: '2023-05-18T18:07:36', modified: '2024-09-11T14:30:24', holds: 1 },
  ee556c50736a4650839e2ada6dd65454: { created: '2023-05-18T18:07:36', modified: '2023-05-18T18:07:36', holds: 0 },
  ab584c1a6fae465da2283a0962f80114: { created: '2023-05-18T18:07:36', modified: '2024-09-11T14:30:24', holds: 1 },
  '61f6d382910945ea95f2e78a14ebb170': { created: '2023-05-18T18:07:36', modified: '2023-05-18T18:07:36', holds: 0 },
}
const moment = (text: string | null | undefined): string => (text ?? '').slice(0, 19)

/** How long the first minutes last: a slow server takes some seconds for its example content. */
const FIRST_MINUTES = 60_000

/** Whether an item was made in the first minutes of the site, and nothing was done to it since but to publish it then. */
function isEarly({ raw: { created, modified, effective } }: Node, since = ''): boolean {
  const isThen = (at: string | null | undefined) => {
    const after = Date.parse(at ?? '') - Date.parse(since)
    return after >= 0 && after <= FIRST_MINUTES
  }
  return isThen(modified) && isThen(created) && [created, effective].some((at) => moment(at) === moment(modified))
}

/** Whether an item came with the example content, and was left as it came; or else came in the first minutes. */
export function marksOf(node: Node, tree: Tree): Marks | undefined {
  const shipped = SHIPPED[node.uid]
  if (!shipped || moment(node.raw.created) !== shipped.created)
    return isEarly(node, tree.since) ? { place: false, untouched: true, known: false, early: true } : undefined
  const inside = tree.below(node.path)
  const untouched =
    moment(node.raw.modified) === shipped.modified &&
    // taken back or published by hand, it is its owner's, though that is no modification here
    node.raw.review_state === (shipped.state ?? 'published') &&
    inside.length === shipped.holds &&
    inside.every(({ uid }) => uid in SHIPPED)
  return { place: true, untouched, known: true, hidden: node.raw.review_state !== 'published' }
}

/** The welcome that comes with the example content: its text, whatever addresses are in it. */
const WELCOME = '15fee089588c45085dbb327df0bc2712db7e5708b0cc3419626f843175654c31'
export const isShippedWelcome = (html: string): boolean => digest(strippedText(html)) === WELCOME

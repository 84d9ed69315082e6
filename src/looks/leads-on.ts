import type { LeadsOn } from '../core/areas/publishing.js'
import type { Trying } from './trying.js'

/**
 * Follows the address that a post would have had as shipped.
 * @param leads whether this system leads from one rule to the other
 * @example const publishing = { try: followed((before, after) => after !== before) }
 */
export const followed =
  (leads: (before: string, after: string) => boolean): Trying<LeadsOn> =>
  async ({ before, after, place, should }, { visitor, address }) => {
    if (!leads(before, after)) return undefined
    const answer = await visitor.get(place)
    const came = answer.status === 200 && answer.url === address ? should : 'leads elsewhere'
    return { came, detail: `${place} leads to ${answer.url} (HTTP ${answer.status})` }
  }

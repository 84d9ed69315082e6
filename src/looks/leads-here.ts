import type { SharedLook } from '../core/looking.js'
import { bad, good, type Look } from './look.js'

/** Whether an old address leads to where something stands now. */
export const leadsHere: Look<Extract<SharedLook, { look: 'leads-here' }>> = async ({ from }, { place, visit }) => {
  const [old, now] = [await visit(from), await visit(place)]
  if (old.status !== 200) return bad(`${from} answers HTTP ${old.status}`)
  return old.url === now.url ? good(`${from} leads to ${now.url}`) : bad(`${from} leads to ${old.url}`)
}

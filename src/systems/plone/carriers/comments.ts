import type { IdOf } from '../../later.js'
import type { Carrier } from '../../step.js'
import { staleNodes } from '../nodes.js'
import { gone } from '../refusal.js'
import type { PloneSession } from '../session.js'

/** Takes comments away. */
export const comments: Carrier<{ remove: IdOf }, PloneSession> = {
  name: 'comments',
  side: 'dashboard',
  atOnce: 1,
  async carry([load], session) {
    if (!load) return []
    staleNodes(session)
    return [gone(await session.rest('DELETE', String(load.remove)))]
  },
}

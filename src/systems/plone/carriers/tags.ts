import type { Carrier } from '../../step.js'
import type { PloneSession } from '../session.js'

/** Tags need no making: what bears them brings them along. */
export const tags: Carrier<{ name: string }, PloneSession> = {
  name: 'tags',
  side: 'dashboard',
  atOnce: Infinity,
  carry: (loads) => Promise.resolve(loads.map(({ name }) => ({ id: name }))),
}

import type { IdOf } from '../../later.js'
import type { Carrier } from '../../step.js'
import { ADD_ONS } from '../areas/addOns.js'
import { panelPlace } from '../panels.js'
import { carried } from '../refusal.js'
import type { PloneSession } from '../session.js'

/** Switches add-ons on and off. What they bring to read is new then. */
export const addOns: Carrier<{ id: IdOf; active: boolean }, PloneSession> = {
  name: 'add-ons',
  side: 'dashboard',
  atOnce: 1,
  async carry([load], session) {
    if (!load) return []
    const answer = await session.rest('POST', `${ADD_ONS}/${String(load.id)}/${load.active ? 'install' : 'uninstall'}`)
    session.shelf.forget(ADD_ONS, panelPlace('discussion'))
    return [carried(answer)]
  },
}

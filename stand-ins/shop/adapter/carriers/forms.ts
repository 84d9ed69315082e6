import type { Carrier, IdOf } from 'unpack'
import { oneForm } from '../../../common/adapter/carriers/forms.js'
import { itemForms, type ItemFields as Fields } from '../../../common/adapter/carriers/items.js'
import type { StandInSession } from '../../../common/adapter/session.js'

export const settings = oneForm('settings')
export const front = oneForm('front')
export const storeForm = oneForm('store')
export const paymentForm = oneForm('payment')

type Room = 'categories' | 'products' | 'pages' | 'taxes' | 'shipping' | 'uploads'
export type ItemFields = Fields<Room>

/** Everything that is a form an item; what hangs on it is stale with it. */
export const items = itemForms<Room>({
  stale: (room) => (room === 'categories' || room === 'uploads' ? ['products', 'categories'] : []),
})

/** Files for visitors. */
export const uploads: Carrier<{ name: string; type: string; bytes: Uint8Array }, StandInSession> = {
  name: 'uploads',
  side: 'dashboard',
  atOnce: 1,
  async carry([load], session) {
    if (!load) return []
    const outcome = await session.send('uploads/new', { file: { field: 'file', part: load } })
    if (outcome.refused !== undefined) return [outcome]
    return [{ ...outcome, address: new URL(`files/${load.name}`, session.visitor.home).pathname }]
  },
}

/** The menu: one entry a line. */
export const menu: Carrier<{ lines: readonly (readonly (string | IdOf)[])[] }, StandInSession> = {
  name: 'menu',
  side: 'dashboard',
  atOnce: 1,
  carry: async ([load], session) =>
    load
      ? [await session.send('menu', { changes: { lines: load.lines.map((words) => words.join(' ')).join('\n') } })]
      : [],
}

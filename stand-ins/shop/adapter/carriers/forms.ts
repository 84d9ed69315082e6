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

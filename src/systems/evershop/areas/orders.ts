import type { AreaOnSystem } from '../../area-on-system.js'
import { placeOrder, voidOrders } from '../order.js'
import type { EverShopSession } from '../session.js'
import { shopOf } from '../shop.js'

/** That there are orders, and customers: who they are is nobody's business here. */
export const orders: AreaOnSystem<'orders', EverShopSession> = {
  keys: ['what'],
  async read(session) {
    const { orders: placed, customers } = await shopOf(session)
    const beyond = placed.total > placed.items.length ? [{ id: 'more', item: { what: 'orders' as const } }] : []
    return [
      ...placed.items.map(({ orderNumber }) => ({ id: orderNumber, item: { what: 'orders' as const } })),
      ...beyond,
      ...(customers.total > 0 ? [{ id: 'customers', item: { what: 'customers' as const } }] : []),
    ]
  },
  try: (attempt, at) => placeOrder(attempt, at),
  makeVoid: voidOrders,
}

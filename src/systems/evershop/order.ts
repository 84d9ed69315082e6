import { z } from 'zod'
import { orderedFor, type OrderTry } from '../../core/areas/orders.js'
import type { Id } from '../../core/area.js'
import type { Trying, TryingAt } from '../../looks/trying.js'
import { jsonOf, type Answer } from '../../web/answer.js'
import { documentOf } from '../../web/reading.js'
import type { Visitor } from '../../web/visitor.js'
import { productsOf } from './goods.js'
import type { EverShopSession } from './session.js'
import { decimalOf } from './wire.js'

/** Nobody reads mail there: it bears the mark of the trial. */
const mailOf = (mark: string): string => `${mark}@trial.example`
const markIn = (text: string): string => /unpack-[0-9a-f]+/.exec(text)?.[0] ?? ''

const refusal = z.object({ error: z.object({ message: z.string() }) })
const cartMade = z.object({ data: z.object({ cartId: z.string() }) })
const orderMade = z.object({ data: z.looseObject({ uuid: z.string() }) })
const countries = z.object({
  data: z.object({ countries: z.array(z.object({ provinces: z.array(z.object({ code: z.string() })).nullish() })) }),
})
const money = z.object({ value: z.number() })
const cart = z.object({
  data: z.object({
    cart: z.object({
      availableShippingMethods: z
        .array(z.object({ code: z.string(), name: z.string(), providerCode: z.string() }))
        .nullish(),
      availablePaymentMethods: z.array(z.object({ code: z.string(), name: z.string() })).nullish(),
    }),
  }),
})
const ordersSchema = z.object({
  orders: z.object({
    items: z.array(
      z.object({
        uuid: z.string(),
        orderNumber: z.string(),
        grandTotal: money,
        status: z.object({ code: z.string() }).nullish(),
      }),
    ),
  }),
})

class NotTaken extends Error {}

/** A stranger at the shop, who has no account. */
class Stranger {
  constructor(private readonly visitor: Visitor) {}
  async send(place: string, json: unknown): Promise<Answer> {
    const answer = await this.visitor.ask(`api/${place}`, { method: 'POST', json })
    if (answer.status === 200) return answer
    throw new NotTaken(refusal.safeParse(jsonOf(answer)).data?.error.message ?? `HTTP ${answer.status}`)
  }
  async ask<T>(query: string, schema: z.ZodType<T>, wanted: string): Promise<T> {
    return documentOf(await this.visitor.query('api/graphql', { query }), schema, wanted)
  }
}

/** An order from cart to thank-you; the owner cancels it, once: a second time would put the stock back again. */
export async function placeOrder(
  { sku, count, country, shipping, payment, digits }: OrderTry,
  { visitor, session, text, hide }: TryingAt<EverShopSession>,
): ReturnType<Trying<OrderTry>> {
  const mark = markIn(text)
  const before = await stockOf(session, sku)
  const stranger = new Stranger(visitor)
  try {
    const who = { customer_full_name: 'Unpack trial', customer_email: mailOf(mark) }
    const made = cartMade.parse(jsonOf(await stranger.send('carts', { ...who, items: [{ sku, qty: count }] })))
    const id = made.data.cartId
    hide(id)
    const asked = `{ countries(countries: ["${country}"]) { provinces { code } } }`
    const place = await stranger.ask(asked, countries, 'the parts of a country')
    const address = {
      ...{
        full_name: 'Unpack trial',
        address_1: '1 Trial Lane',
        city: 'Trial',
        postcode: '1000',
        telephone: '000',
        country,
      },
      province: place.data.countries[0]?.provinces?.[0]?.code ?? '',
    }
    for (const type of ['shipping', 'billing']) await stranger.send(`carts/${id}/addresses`, { type, address })
    const ways = `{ cart(id: "${id}") { availableShippingMethods { code name providerCode } availablePaymentMethods { code name } } }`
    const { data } = await stranger.ask(ways, cart, 'the ways of shipping and paying')
    const all = data.cart.availableShippingMethods ?? []
    if (all.length === 0) return { came: 'turned away', detail: 'no way of shipping goes there' }
    const way = all.find(({ name }) => name === shipping)
    const pays = data.cart.availablePaymentMethods?.find(({ code }) => payment === 'cash' && code === 'cod')
    if (!way || !pays) return { came: 'not taken', detail: `there was no way “${way ? payment : shipping}” to choose` }
    await stranger.send(`carts/${id}/shippingMethods`, { provider_code: way.providerCode, method_code: way.code })
    await stranger.send(`carts/${id}/paymentMethods`, { method_code: pays.code, method_name: pays.name })
    orderMade.parse(jsonOf(await stranger.send('orders', { cart_id: id })))
  } catch (error) {
    if (error instanceof NotTaken) return { came: 'not taken', detail: error.message }
    throw error
  }
  const [order] = await ordersOf(session, mark, hide)
  if (!order) return { came: 'not taken', detail: 'the dashboard does not show the order' }
  const refused = await cancel(session, order)
  if (refused !== undefined) return { came: 'not cancelled', detail: `order ${order.orderNumber}: ${refused}` }
  session.shelf.forget('products')
  if ((await stockOf(session, sku)) !== before) return { came: 'stock off' }
  const total = decimalOf(order.grandTotal.value)
  return {
    came: orderedFor(total, digits),
    detail: `order ${order.orderNumber} came to ${total}; it was cancelled, and the stock is as before`,
  }
}

/** Cancels what bears the mark and is not cancelled yet. @returns the numbers of all that bear it: they stay */
export async function voidOrders(session: EverShopSession, mark: string, hide: Hide): Promise<Id[]> {
  const own = await ordersOf(session, mark, hide)
  for (const order of own) await cancel(session, order)
  return own.map(({ orderNumber }) => orderNumber)
}

type Order = z.output<typeof ordersSchema>['orders']['items'][number]

type Hide = TryingAt['hide']

/** The orders of a trial. Whoever knows the long number of one is shown it. */
async function ordersOf(session: EverShopSession, mark: string, hide: Hide): Promise<Order[]> {
  session.shelf.forget('shop')
  const query = `{ orders(filters: [{ key: "email", operation: eq, value: "${mailOf(mark)}" }]) {
    items { uuid orderNumber grandTotal { value } status { code } } } }`
  const { items } = (await session.query(query, ordersSchema, 'the orders of the trial')).orders
  for (const { uuid } of items) hide(uuid)
  return items
}

async function cancel(session: EverShopSession, { uuid, status }: Order): Promise<string | undefined> {
  if (status?.code === 'canceled') return undefined
  const json = { reason: 'A trial of Unpack: nothing is to be sent.' }
  return (await session.write('POST', `api/orders/${uuid}/cancel`, { json })).refused
}

async function stockOf(session: EverShopSession, sku: string): Promise<number | undefined> {
  return (await productsOf(session)).find((one) => one.sku === sku)?.inventory.qty
}

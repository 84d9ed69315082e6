import { load } from 'cheerio'
import { formOn, has, orderedFor, type AreaOnSystem, type OrderTry, type Trying, type Visitor } from 'unpack'
import type { StandInSession } from '../../../common/adapter/session.js'

const room = 'orders'
/** Nobody reads mail there: it bears the mark of the trial. */
const mailOf = (mark: string): string => `${mark}@trial.example`
const markIn = (text: string): string => /unpack-[0-9a-f]+/.exec(text)?.[0] ?? ''

/** That there are orders; who placed them is nobody's business here. */
export const orders: AreaOnSystem<'orders', StandInSession> = {
  keys: ['what'],
  async read(session) {
    const rows = await session.rows(room)
    return rows.map(({ id }) => ({ id, item: { what: 'orders' } }))
  },
  try: (attempt, { visitor, session, address, text }) => order(attempt, visitor, session, address, markIn(text)),
  async makeVoid(session, mark) {
    session.shelf.forget(room)
    const own = (await session.rows(room)).filter(({ data }) => data.by === mailOf(mark))
    for (const { id, data } of own) if (data.state === 'placed') await cancel(session, id)
    return own.map(({ id }) => id)
  },
}

const cancel = (session: StandInSession, number: number) =>
  session.send(room, { form: `cancel-${number}`, to: `${room}/${number}/cancel` })

/** A stranger's order from cart to thank-you; the owner cancels it, once. */
async function order(
  { sku, count, country, shipping, payment, digits }: OrderTry,
  visitor: Visitor,
  session: StandInSession,
  address: string,
  mark: string,
): ReturnType<Trying<OrderTry>> {
  const before = await stockOf(session, sku)
  const product = await visitor.get(address)
  const buy = formOn(product.text, 'form#buy')
  if (!buy) return { came: 'not taken', detail: `${product.url} lets nobody put it into a cart` }
  await visitor.post('cart', { ...buy.fields, count: String(count) })
  const to = { name: 'Unpack trial', street: '1 Trial Lane', city: 'Trial', region: 'Trial', postcode: '1000' }
  const ways = await visitor.post('checkout', { ...to, email: mailOf(mark), country }, { follow: true })
  if (has(ways.text, '#refused')) return { came: 'turned away', detail: saidIn(ways.text) }
  const $ = load(ways.text)
  const way = $('input[name=shipping]')
    .toArray()
    .find((one) => $(one).attr('data-name') === shipping)
  const pays = has(ways.text, `input[name=payment][value=${payment}]`)
  if (!way || !pays) return { came: 'not taken', detail: `there was no way “${way ? payment : shipping}” to choose` }
  const thanks = await visitor.post('checkout/order', { shipping: $(way).attr('value') ?? '', payment })
  if (!has(thanks.text, '#thanks')) return { came: 'not taken', detail: saidIn(thanks.text) }
  // the page that says thank you may be another customer's, from a store of pages: the list tells which one bears the mark
  session.shelf.forget(room)
  const number = (await session.rows(room)).find(({ data }) => data.by === mailOf(mark))?.id
  if (number === undefined) return { came: 'not taken', detail: 'the dashboard does not show the order' }
  const { refused } = await cancel(session, number)
  if (refused !== undefined) return { came: 'not cancelled', detail: `order ${number} was not cancelled: ${refused}` }
  if ((await stockOf(session, sku)) !== before) return { came: 'stock off' }
  session.shelf.forget(room)
  const total = (await session.rows(room)).find(({ id }) => id === number)?.cells[2] ?? '0'
  return {
    came: orderedFor(total, digits),
    detail: `order ${number} came to ${total}; it was cancelled, and the stock is as before`,
  }
}

const saidIn = (html: string): string => load(html)('#refused').text()

async function stockOf(session: StandInSession, sku: string): Promise<string | undefined> {
  session.shelf.forget('products')
  return (await session.rows('products')).find(({ data }) => data.sku === sku)?.data.stock
}

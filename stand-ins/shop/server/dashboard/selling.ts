import type { Office } from '../../../common/server/office.js'
import type { Shipping, Shop, Tax } from '../model.js'
import { isSum } from '../sums.js'
import { itemRoom, linesOf } from './room.js'

/** Taxes and ways of shipping, and the orders that came in. */
export function selling(office: Office, shop: Shop): void {
  const next = () => shop.next++
  itemRoom<Tax>(office, next, {
    room: 'taxes',
    all: () => shop.taxes,
    name: ({ name }) => name,
    marks: ({ rates }) => ({ rates: rates.join('\n') }),
    fields: (item) => [
      { name: 'name', label: 'Name', value: item?.name ?? '' },
      {
        name: 'rates',
        label: 'A country and per cent a line: GB 20',
        value: item?.rates.join('\n') ?? '',
        kind: 'long',
      },
    ],
    refuses({ name = '', rates }, item) {
      if (name === '' || shop.taxes.some((one) => one.name === name && one !== item)) return 'That name is taken.'
      return linesOf(rates).every((line) => /^[A-Z]{2} \d+(\.\d+)?$/.test(line))
        ? undefined
        : 'One of the lines is no rate.'
    },
    take: ({ name = '', rates }) => ({ name, rates: linesOf(rates) }),
    holds: ({ id }) => (shop.products.some(({ tax }) => tax === id) ? 'Products have it.' : undefined),
  })
  itemRoom<Shipping>(office, next, {
    room: 'shipping',
    all: () => shop.shipping,
    name: ({ name }) => name,
    marks: ({ price, freeFrom, countries, weights, made, edited }) => ({
      ...{ price, free: freeFrom, countries: countries.join(','), weights: weights.join('\n'), made, edited },
    }),
    fields: (item) => [
      { name: 'name', label: 'Name', value: item?.name ?? '' },
      { name: 'price', label: 'Price', value: item?.price ?? '' },
      { name: 'freeFrom', label: 'Free from', value: item?.freeFrom ?? '' },
      { name: 'countries', label: 'Countries; none: all', value: item?.countries.join(' ') ?? '' },
      {
        name: 'weights',
        label: 'From a weight on, a line each: 2 6.00',
        value: item?.weights.join('\n') ?? '',
        kind: 'long',
      },
    ],
    refuses({ name = '', price = '', freeFrom = '', weights }, item) {
      if (name === '' || shop.shipping.some((one) => one.name === name && one !== item)) return 'That name is taken.'
      if ([price, freeFrom].some((sum) => sum !== '' && !isSum(sum))) return 'That is no sum.'
      return linesOf(weights).every((line) => line.split(' ').length === 2 && line.split(' ').every(isSum))
        ? undefined
        : 'One of the lines is no price by weight.'
    },
    take: ({ name = '', price = '', freeFrom = '', countries = '', weights }) => ({
      ...{ name, price, freeFrom, weights: linesOf(weights) },
      countries: countries.split(/[\s,]+/).filter((one) => one !== ''),
    }),
  })
  office.get('/orders', (request, reply) => {
    const rows = shop.orders.map(({ number, state, total, name, email }) => ({
      id: number,
      marks: { state, by: email },
      cells: [String(number), name, total, state],
    }))
    const buttons = shop.orders.map(({ number }) =>
      office.button(request, `/orders/${number}/cancel`, `cancel-${number}`, 'Cancel'),
    )
    return office.screen(reply, 'orders', office.table(rows) + buttons.join(''))
  })
  office.post('/orders/:id/cancel', '/orders', (_body, id) => {
    const order = shop.orders.find(({ number }) => number === id)
    if (!order) return 'There is no such order.'
    if (order.state === 'cancelled' && !shop.faults.has('stock back twice')) return 'It is cancelled already.'
    order.state = 'cancelled'
    for (const { product, count } of order.lines) {
      const own = shop.products.find((one) => one.id === product)
      if (own) own.stock += count
    }
    return undefined
  })
}

import type { Area, Found } from '../area.js'
import type { Baseline } from '../baseline/schema.js'
import type { Attempt } from '../looking.js'
import { digitsOf } from '../money/currency.js'
import { roundedTo } from '../money/decimal.js'
import { totalOf } from '../goods/total.js'
import { refOf } from '../ref.js'
import { textOf } from '../value.js'
import { productsOf, type ProductItem } from './products.js'
import { shippingOf } from './shipping.js'
import type { StoreItem } from './store.js'
import { taxesOf } from './taxes.js'

/** That there are any: nothing of an order, nor of whoever placed it, is read. */
export interface OrderItem {
  what: 'orders' | 'customers'
}

/** An order that a stranger places, from cart to thank-you. */
export interface OrderTry {
  sku: string
  count: number
  /** Where it goes (ISO 3166). */
  country: string
  /** The way of shipping, by its name. */
  shipping: string
  /** How it is paid. */
  payment: 'cash' | 'transfer'
  /** Digits of the currency behind the point. */
  digits: number
}

/**
 * What came of an order, where it came to this total.
 * @example orderedFor('8.3', 2) // 'ordered for 8.30'
 */
export const orderedFor = (total: string, digits: number): string => `ordered for ${roundedTo(total, digits)}`

const words = {
  'turned away': 'nobody can order to there',
  'not taken': 'the order was not taken',
  'stock off': 'it was cancelled, but the stock is not as it was before',
  'not cancelled': 'it could not be cancelled: do it in the dashboard',
}

/** The first planned product that a stranger can put into a cart, as it stands there. */
function firstProduct(baseline: Baseline, found: (ref: string) => Found | undefined) {
  return productsOf(baseline)
    .map(({ sku }) => found(refOf('products', sku)) as Found<'products', ProductItem> | undefined)
    .find(
      (one) => one && !one.hidden && one.item.state !== 'hidden' && one.item.stock !== 0 && one.address !== undefined,
    )
}

/** Orders and customers: never touched; that there are any makes a shop one in use. */
export const orders: Area<'orders', OrderItem, never, OrderTry> = {
  name: 'orders',
  title: 'orders and customers',
  list: 'at least',
  keys: ['what'],
  oursStay: true,
  ref: (item) => refOf('orders', item.what),
  plan: () => [],
  call: (item) => `what the shop holds of ${item.what}`,
  tries(baseline, found) {
    const { store } = baseline
    const [payment] = store?.payment?.filter(({ by }) => by !== 'card') ?? []
    const ways = shippingOf(baseline)
    const way = ways.find(({ countries = [] }) => countries.length > 0)
    const country = way?.countries?.[0]
    if (!store || !productsOf(baseline).length || !payment || payment.by === 'card' || !way || country === undefined)
      return []
    const product = firstProduct(baseline, found)
    const standing = found('store') as Found<'store', StoreItem> | undefined
    const digits = digitsOf(standing?.item.currency ?? store.currency ?? 'EUR')
    const own = { sku: product?.item.sku ?? '', count: 1, shipping: way.name, payment: payment.by, digits, words }
    const at = product?.ref ?? ''
    const cannot = product ? undefined : 'no product of the plan stands there to order'
    const { price, salePrice, tax, weight } = product?.item ?? {}
    const total = totalOf({
      lines: [
        {
          price: textOf(salePrice) || textOf(price) || '0',
          count: 1,
          tax: taxesOf(baseline).find(({ name }) => refOf('taxes', name) === tax),
          weight,
        },
      ],
      shipping: way,
      country,
      includeTax: store.prices !== 'before tax',
      digits,
    })
    const order: Attempt<OrderTry> = {
      ...own,
      ...{ at, cannot, country },
      name: `a stranger orders “${product?.item.name ?? ''}” for ${total} ${store.currency ?? ''}`.trim(),
      should: orderedFor(total, digits),
    }
    const away = awayFrom(store.shipsTo ?? ways.flatMap(({ countries = [] }) => countries))
    return [
      order,
      ...(store.shipsTo
        ? [{ ...own, at, cannot, country: away, name: `an order to ${away} is turned away`, should: 'turned away' }]
        : []),
    ]
  },
}

/** A country to which the store does not ship. */
const awayFrom = (to: readonly string[]): string => ['NZ', 'IS', 'JP', 'CH'].find((one) => !to.includes(one)) ?? 'NZ'

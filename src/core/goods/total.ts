import { rateIn, type TaxItem } from '../areas/taxes.js'
import type { ShippingItem } from '../areas/shipping.js'
import { compareDecimals, roundedTo, sumOf, taxOn, timesOf } from '../money/decimal.js'

/** What an order holds, and where it goes. */
export interface OrderLines {
  lines: readonly { price: string; count: number; tax?: TaxItem; weight?: number }[]
  shipping: ShippingItem
  country: string
  /** Whether prices have their tax in them. */
  includeTax: boolean
  /** Digits of the currency behind the point. */
  digits: number
}

/**
 * What an order comes to, as whoever places it sees it. Where prices are before tax, that is added line by line, a half going up.
 * @example totalOf({ lines: [{ price: '2.40', count: 2 }], shipping: { name: 'Van', price: '3.50' }, country: 'GB', includeTax: true, digits: 2 }) // '8.30'
 */
export function totalOf({ lines, shipping, country, includeTax, digits }: OrderLines): string {
  const goods = lines.map(({ price, count, tax }) => {
    const sum = timesOf(price, count)
    const rate = tax ? rateIn(tax, country) : '0'
    return includeTax ? sum : sumOf([sum, taxOn(sum, rate, digits)])
  })
  const all = sumOf(goods)
  const weight = sumOf(lines.map((line) => timesOf(weightOf(line.weight), line.count)))
  return roundedTo(sumOf([all, shippingCost(shipping, all, weight)]), digits)
}

const weightOf = (weight = 0): string => roundedTo(weight.toFixed(6), 6)

/** What a way of shipping costs for goods of this sum and weight. */
function shippingCost({ price = '0', byWeight, freeFrom }: ShippingItem, goods: string, weight: string): string {
  if (freeFrom !== undefined && compareDecimals(goods, freeFrom) >= 0) return '0'
  const step = byWeight?.findLast(({ from }) => compareDecimals(weight, from) >= 0)
  return byWeight ? (step?.price ?? '0') : price
}

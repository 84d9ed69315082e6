import type { Product, Shipping, Shop, Tax } from './model.js'

/** Digits behind the point of the shop's currency. */
export const digitsOf = ({ settings }: Shop): number =>
  new Intl.NumberFormat('en', { style: 'currency', currency: settings.currency }).resolvedOptions()
    .maximumFractionDigits ?? 2

/** A sum in the smallest part of a currency. */
export const partsOf = (sum: string, digits: number): number => Math.round(Number(sum) * 10 ** digits)

/** Whether a text is a sum. */
export const isSum = (text = ''): boolean => /^\d+(\.\d+)?$/.test(text)

/** A sum as visitors read it. */
export const shown = ({ settings }: Shop, parts: number, digits: number): string =>
  new Intl.NumberFormat(settings.language, { style: 'currency', currency: settings.currency }).format(
    parts / 10 ** digits,
  )

export const priceOf = ({ price, sale }: Product): string => (sale === '' ? price : sale)

const rateIn = (tax: Tax | undefined, country: string): number =>
  Number(tax?.rates.find((line) => line.startsWith(`${country} `))?.split(' ')[1] ?? 0)

export interface Line {
  product: Product
  count: number
}
/** What goods come to in a country, tax and all. */
export function goodsOf(shop: Shop, lines: readonly Line[], country: string): number {
  const digits = digitsOf(shop)
  return lines.reduce((sum, { product, count }) => {
    const parts = partsOf(priceOf(product), digits) * count
    const tax = shop.taxes.find(({ id }) => id === product.tax)
    return sum + parts + (shop.settings.prices === 'before tax' ? Math.round((parts * rateIn(tax, country)) / 100) : 0)
  }, 0)
}

/** What a way of shipping costs. */
export function shippingOf(shop: Shop, way: Shipping, lines: readonly Line[], goods: number): number {
  const digits = digitsOf(shop)
  if (way.freeFrom !== '' && goods >= partsOf(way.freeFrom, digits)) return 0
  const weight = lines.reduce((sum, { product, count }) => sum + Number(product.weight || 0) * count, 0)
  const step = way.weights.map((line) => line.split(' ')).findLast(([from = '0']) => weight >= Number(from))
  return partsOf(way.weights.length > 0 ? (step?.[1] ?? '0') : way.price, digits)
}

/** Ways of shipping to a country. */
export const waysTo = (shop: Shop, country: string): Shipping[] => {
  const anywhere = shop.faults.has('ships anywhere')
  if (!anywhere && !shop.settings.shipsTo.includes(country)) return []
  return shop.shipping.filter(({ countries }) => anywhere || countries.length === 0 || countries.includes(country))
}

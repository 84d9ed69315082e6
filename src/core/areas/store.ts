import { z } from 'zod'
import { groupsIn, isGroup, type PlainGroup } from '../baseline/plain-values.js'
import type { AddMistake } from '../baseline/mistake.js'
import type { Area, Found, Value } from '../area.js'
import { country, currency, mail } from '../baseline/values.js'
import { digitsOf, isCurrency } from '../money/currency.js'
import { digitsNeeded, isDecimal } from '../money/decimal.js'
import { flatKeys, given, textOf } from '../value.js'
import { paymentSchema } from './payment.js'
import { shippingSchema } from './shipping.js'
import { taxSchema } from './taxes.js'

const line = z.string().min(1).optional()
export const storeSchema = z.strictObject({
  address: z
    .strictObject({
      street: line.describe('Street and number').meta({ examples: ['4 Quay Lane'] }),
      city: line.describe('The town').meta({ examples: ['Saltmarsh Quay'] }),
      region: line.describe('The county, state or province').meta({ examples: ['Marshland'] }),
      postcode: line.describe('The postcode').meta({ examples: ['SQ1 4AB'] }),
      country: country.optional().describe('The country (ISO 3166)'),
    })
    .optional()
    .describe('Where the store is')
    .meta({ examples: [{ street: '4 Quay Lane', city: 'Saltmarsh Quay', country: 'GB' }] }),
  email: mail.optional().describe('Where customers write to'),
  phone: line.describe('Where customers ring').meta({ examples: ['+44 20 7946 0123'] }),
  trade: z
    .array(z.string().min(1))
    .optional()
    .describe('What is sold, where a system asks for it')
    .meta({ examples: [['seeds', 'garden tools']] }),
  goods: z
    .array(z.enum(['posted', 'downloaded']))
    .optional()
    .describe('How goods come to customers, where a system asks for it')
    .meta({ examples: [['posted']] }),
  size: z
    .int()
    .min(0)
    .optional()
    .describe('How many products are expected, where a system asks for it')
    .meta({ examples: [500] }),
  currency: currency.optional().describe('The currency of all prices (ISO 4217)'),
  prices: z
    .enum(['include tax', 'before tax'])
    .optional()
    .describe('Whether the prices in this file, and on the site, have the tax in them'),
  units: z
    .strictObject({
      weight: z.enum(['kg', 'g', 'lb', 'oz']).optional().describe('In what weights are'),
      length: z.enum(['m', 'cm', 'mm', 'in']).optional().describe('In what lengths are'),
    })
    .optional()
    .describe('In what is measured')
    .meta({ examples: [{ weight: 'kg', length: 'cm' }] }),
  taxes: z
    .array(taxSchema)
    .optional()
    .describe('At least these taxes; products that name none have the first')
    .meta({ examples: [[{ name: 'VAT', country: 'GB', rate: '20' }]] }),
  shipsTo: z
    .array(country)
    .optional()
    .describe('Exactly the countries to which the store ships')
    .meta({ examples: [['GB', 'IE']] }),
  shipping: z
    .array(shippingSchema)
    .optional()
    .describe('At least these ways of shipping')
    .meta({ examples: [[{ name: 'Royal-blue van', price: '3.50' }]] }),
  payment: z
    .array(paymentSchema)
    .optional()
    .describe('At least these ways of paying')
    .meta({ examples: [[{ name: 'Cash at the counter', by: 'cash' }]] }),
  offers: z
    .strictObject({
      accept: z.array(z.string().min(1)).describe('Those that you want, by their names; all others are declined'),
    })
    .optional()
    .describe('Extras that a system offers during its set-up')
    .meta({ examples: [{ accept: [] }] }),
})

/** What a shop says of itself, and how it counts. */
export interface StoreItem {
  'address.street'?: string
  'address.city'?: string
  'address.region'?: string
  'address.postcode'?: string
  'address.country'?: string
  email?: string
  phone?: string
  trade?: readonly string[]
  goods?: readonly ('posted' | 'downloaded')[]
  size?: number
  currency?: string
  prices?: 'include tax' | 'before tax'
  'units.weight'?: 'kg' | 'g' | 'lb' | 'oz'
  'units.length'?: 'm' | 'cm' | 'mm' | 'in'
  shipsTo?: readonly string[]
  'offers.accept'?: readonly string[]
}

const words: Partial<Record<keyof StoreItem, string>> = {
  'address.street': 'street',
  'address.city': 'town',
  'address.region': 'region',
  'address.postcode': 'postcode',
  'address.country': 'country',
  email: 'e-mail address',
  trade: 'what is sold',
  goods: 'how goods come',
  size: 'products expected',
  prices: 'prices',
  'units.weight': 'unit of weight',
  'units.length': 'unit of length',
  shipsTo: 'ships to',
  'offers.accept': 'extras that are taken',
}
const sorted = (value: Value): string =>
  Array.isArray(value) ? (value as readonly string[]).toSorted().join('\n') : textOf(value)

/** Its part of the baseline file. */
export const storePart = {
  store: storeSchema
    .optional()
    .describe('The store: where it is, how it counts, ships and is paid')
    .meta({ examples: [{ currency: 'GBP', prices: 'include tax', shipsTo: ['GB'] }] }),
}

/** What a shop says of itself, and how it counts. */
export const store: Area<'store', StoreItem> = {
  name: 'store',
  title: 'store',
  list: 'one',
  questions: [
    { key: 'store.address', ask: 'Where is the store?' },
    { key: 'store.currency', ask: 'In which currency are its prices?' },
    { key: 'store.prices', ask: 'Do its prices have the tax in them?' },
    { key: 'store.taxes', ask: 'Which taxes are there, and how much do they take?' },
    { key: 'store.shipsTo', ask: 'To which countries does it ship?' },
    { key: 'store.shipping', ask: 'How is it shipped, and what does that cost?' },
    { key: 'store.payment', ask: 'How do customers pay?' },
  ],
  keys: [
    ...(['address.street', 'address.city', 'address.region', 'address.postcode', 'address.country'] as const),
    ...(['email', 'phone', 'trade', 'goods', 'size', 'currency', 'prices', 'units.weight', 'units.length'] as const),
    ...(['shipsTo', 'offers.accept'] as const),
  ],
  mistakes: (values, add) => {
    finerThanCurrency(values, add)
    oneAddress(values, add)
  },
  ref: () => 'store',
  plan({ store }) {
    if (!store) return []
    const { address, units, offers } = store
    const { email, phone, trade, goods, size, currency, prices, shipsTo } = store
    const groups = flatKeys({ address: address ?? {}, units: units ?? {}, offers: offers ?? {} })
    return [{ item: { ...groups, ...given({ email, phone, trade, goods, size, currency, prices, shipsTo }) } }]
  },
  // what a store's prices are in, nothing changes by itself: the sums would stay, and mean something else
  fixed: (key, items) =>
    (key === 'currency' || key === 'prices' || key === 'units.weight') && items('products').some(counts)
      ? `products stand there already, whose ${key === 'units.weight' ? 'weights' : 'prices'} would stay as they are and mean something else: change it in the dashboard, and them with it`
      : undefined,
  same: (key, wanted, found) =>
    key === 'email' ? textOf(wanted).toLowerCase() === textOf(found).toLowerCase() : sorted(wanted) === sorted(found),
  call: () => 'the store',
  say: (key) => words[key] ?? key,
  show: (_key, value) => (Array.isArray(value) ? value.map(textOf).join(', ') || 'none' : undefined),
}

/** What came with the system is nobody's price. */
const counts = ({ origin }: Found): boolean => origin !== 'shipped'

/** Sums with more digits behind the point than the currency has. */
function finerThanCurrency({ store, products }: PlainGroup, add: AddMistake): void {
  const own = isGroup(store) ? store : {}
  if (typeof own.currency !== 'string' || !isCurrency(own.currency)) return
  const digits = digitsOf(own.currency)
  const look = (value: unknown, path: readonly (string | number)[]) => {
    if (typeof value === 'string' && isDecimal(value) && digitsNeeded(value) > digits)
      add(
        'contradiction',
        path,
        'this sum is finer than the currency',
        digits === 0 ? 'a whole number' : `${digits} digits behind the point at the most`,
      )
  }
  for (const [{ price, freeFrom, byWeight }, index] of groupsIn(own.shipping)) {
    const at = ['store', 'shipping', index]
    look(price, [...at, 'price'])
    look(freeFrom, [...at, 'freeFrom'])
    for (const [step, place] of groupsIn(byWeight)) look(step.price, [...at, 'byWeight', place, 'price'])
  }
  for (const [product, index] of groupsIn(products))
    for (const key of ['price', 'salePrice']) {
      look(product[key], ['products', index, key])
      for (const [own, place] of groupsIn(product.variants)) look(own[key], ['products', index, 'variants', place, key])
    }
}

/** In a shop, pages at the top, categories and products share the addresses below its own. */
function oneAddress({ store, site, categories, pages, products }: PlainGroup, add: AddMistake): void {
  if (store === undefined && !(isGroup(site) && site.kind === 'shop') && products === undefined) return
  const taken = new Map<unknown, string>()
  const take = (list: unknown, what: string, path: string) => {
    for (const [{ slug }, index] of groupsIn(list)) {
      const by = taken.get(slug)
      if (typeof slug === 'string' && by !== undefined && by !== what)
        add(
          'contradiction',
          [path, index, 'slug'],
          `${by} of this file stands at the same address`,
          'a slug of its own',
        )
      else taken.set(slug, what)
    }
  }
  take(categories, 'a category', 'categories')
  take(pages, 'a page', 'pages')
  take(products, 'a product', 'products')
}

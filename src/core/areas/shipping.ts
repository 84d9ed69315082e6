import { z } from 'zod'
import { groupsIn, isGroup, listOf, namedBy } from '../baseline/plain-values.js'
import type { Area, Value } from '../area.js'
import type { Baseline } from '../baseline/schema.js'
import { country, money } from '../baseline/values.js'
import { inMoney } from '../money/unit.js'
import { compareDecimals, isDecimal, sameDecimal } from '../money/decimal.js'
import { refOf } from '../ref.js'
import { textOf } from '../value.js'

export const shippingSchema = z.strictObject({
  name: z
    .string()
    .min(1)
    .describe('What visitors read')
    .meta({ examples: ['Royal-blue van'] }),
  price: money.optional().describe('What it costs, as visitors see sums'),
  byWeight: z
    .array(
      z.strictObject({
        from: money.describe('From this weight on, in the units of the store'),
        price: money.describe('What it costs then'),
      }),
    )
    .min(1)
    .optional()
    .describe('What it costs by what the order weighs, in place of one price')
    .meta({ examples: [[{ from: '0', price: '3.50' }]] }),
  countries: z
    .array(country)
    .min(1)
    .optional()
    .describe('Where it goes; left out: wherever the store ships to')
    .meta({ examples: [['GB']] }),
  freeFrom: money.optional().describe('From this sum of goods on it costs nothing'),
})

/** What shipping costs from a weight on. */
export interface WeightPrice {
  from: string
  price: string
}
/** A way in which orders are shipped. */
export interface ShippingItem {
  name: string
  price?: string
  byWeight?: readonly WeightPrice[]
  countries?: readonly string[]
  freeFrom?: string
}

/** The ways of shipping, each with the countries to which it goes. */
export const shippingOf = ({ store }: Pick<Baseline, 'store'>): ShippingItem[] =>
  (store?.shipping ?? []).map((one) => ({ ...one, countries: one.countries ?? store?.shipsTo }))

const stepsIn = (value: Value): readonly WeightPrice[] =>
  Array.isArray(value) ? (value as readonly WeightPrice[]) : []
const sameSteps = (a: readonly WeightPrice[], b: readonly WeightPrice[]): boolean =>
  a.length === b.length &&
  a.every(
    ({ from, price }, index) => sameDecimal(from, b[index]?.from ?? '') && sameDecimal(price, b[index]?.price ?? ''),
  )
const stepsText = (value: Value): string =>
  stepsIn(value)
    .map(({ from, price }) => `${price} from ${from}`)
    .join(', ')
const countriesIn = (value: Value): string[] => (Array.isArray(value) ? (value as readonly string[]).toSorted() : [])

const words: Partial<Record<keyof ShippingItem, string>> = {
  byWeight: 'price by weight',
  countries: 'where it goes',
  freeFrom: 'free from',
}

/** Shipping: at least these ways. */
export const shipping: Area<'shipping', ShippingItem> = {
  name: 'shipping',
  title: 'ways of shipping',
  key: 'store.shipping',
  list: 'at least',
  shipped: 'Ways of shipping',
  gone: z.array(z.string().min(1)).describe('Ways of shipping, by their names'),
  guarded: true,
  apart: ['price', 'byWeight', 'countries', 'freeFrom'],
  countedIn: { price: inMoney, freeFrom: inMoney, byWeight: [...inMoney, { area: 'store', key: 'units.weight' }] },
  keys: ['name', 'price', 'byWeight', 'countries', 'freeFrom'],
  named: ({ store }) => namedBy(isGroup(store) ? store.shipping : [], 'name', ['store', 'shipping']),
  mistakes({ store }, add) {
    if (!isGroup(store)) return
    const all = groupsIn(store.shipping)
    for (const [{ price, byWeight }, index] of all) {
      const at = ['store', 'shipping', index]
      if (price === undefined && byWeight === undefined)
        add('missing-key', at, 'nothing says what it costs', 'price, or byWeight', 'price: "3.50"')
      if (price !== undefined && byWeight !== undefined)
        add('contradiction', [...at, 'price'], 'byWeight says what it costs as well', 'one or the other')
      rising(byWeight, (step) =>
        add(
          'contradiction',
          [...at, 'byWeight', step, 'from'],
          'this is not more than the one before it',
          'weights that rise',
          'from: "2"',
        ),
      )
    }
    const to = listOf(store.shipsTo)
    for (const [index, place] of to.entries())
      if (!all.some(([{ countries }]) => countries === undefined || listOf(countries).includes(place)))
        add(
          'contradiction',
          ['store', 'shipsTo', index],
          'no way of shipping in this file goes there: nobody there could order',
          'one under store.shipping that goes there',
          'shipping: [{ name: Post, price: "3.50" }]',
        )
    for (const [{ countries }, index] of all)
      for (const [at, place] of listOf(countries).entries())
        if (store.shipsTo !== undefined && !to.includes(place))
          add(
            'contradiction',
            ['store', 'shipping', index, 'countries', at],
            'the store does not ship there',
            'a country that stands under store.shipsTo',
          )
  },
  ref: (item) => refOf('shipping', item.name),
  // what costs one price no longer goes by weight
  plan: (baseline) =>
    shippingOf(baseline).map((item) => ({ item: item.price === undefined ? item : { ...item, byWeight: [] } })),
  same(key, wanted, found) {
    if (key === 'countries') return countriesIn(wanted).join() === countriesIn(found).join()
    if (key === 'byWeight') return sameSteps(stepsIn(wanted), stepsIn(found))
    return sameDecimal(textOf(wanted), textOf(found))
  },
  call: (item) => `the way of shipping “${item.name}”`,
  say: (key) => words[key] ?? key,
  show: (key, value) =>
    key === 'byWeight' ? stepsText(value) : key === 'countries' ? countriesIn(value).join(', ') : undefined,
}

/** Tells each weight that is not more than the one before it. */
function rising(list: unknown, tell: (index: number) => void): void {
  let before: string | undefined
  for (const [{ from }, index] of groupsIn(list)) {
    if (typeof from !== 'string' || !isDecimal(from)) continue
    if (before !== undefined && compareDecimals(from, before) <= 0) tell(index)
    before = from
  }
}

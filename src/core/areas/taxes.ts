import { z } from 'zod'
import { groupsIn, isGroup } from '../baseline/plain-values.js'
import type { Area, Value } from '../area.js'
import type { Baseline } from '../baseline/schema.js'
import { country, percentage } from '../baseline/values.js'
import { sameDecimal } from '../money/decimal.js'
import { refOf } from '../ref.js'

export const taxSchema = z.strictObject({
  name: z
    .string()
    .min(1)
    .describe('What it is called; products name it by that')
    .meta({ examples: ['VAT'] }),
  country: country.describe('Where it is taken (ISO 3166)'),
  rate: percentage.describe('How much, in per cent, as text'),
})

/** What a tax takes in a country. */
export interface TaxRate {
  country: string
  /** Per cent, as a decimal. */
  rate: string
}
/** A tax, with what it takes in each country. */
export interface TaxItem {
  name: string
  rates?: readonly TaxRate[]
}

const ratesOf = (value: Value): readonly TaxRate[] => (Array.isArray(value) ? (value as readonly TaxRate[]) : [])

/** What a tax takes in a country, in per cent; `0` where it takes nothing there. */
export const rateIn = ({ rates = [] }: TaxItem, country: string): string =>
  rates.find((one) => one.country === country)?.rate ?? '0'

/** The taxes of a baseline: those of one name are one, with a rate a country. */
export function taxesOf({ store }: Pick<Baseline, 'store'>): TaxItem[] {
  const all = new Map<string, TaxRate[]>()
  for (const { name, country, rate } of store?.taxes ?? []) all.set(name, [...(all.get(name) ?? []), { country, rate }])
  return [...all].map(([name, rates]) => ({ name, rates }))
}

/** Taxes: at least these, with at least these rates. */
export const taxes: Area<'taxes', TaxItem> = {
  name: 'taxes',
  title: 'taxes',
  key: 'store.taxes',
  list: 'at least',
  guarded: true,
  apart: ['rates'],
  keys: ['name', 'rates'],
  mistakes({ store }, add) {
    const seen = new Set<string>()
    for (const [{ name, country }, index] of groupsIn(isGroup(store) ? store.taxes : [])) {
      const key = `${String(name)} ${String(country)}`
      if (seen.has(key))
        add(
          'two-of-one',
          ['store', 'taxes', index, 'country'],
          'this tax has a rate in this country already',
          'one rate a country',
        )
      seen.add(key)
    }
  },
  ref: (item) => refOf('taxes', item.name),
  plan: (baseline) => taxesOf(baseline).map((item) => ({ item })),
  same: (key, wanted, found) =>
    key === 'rates'
      ? ratesOf(wanted).every(({ country, rate }) =>
          ratesOf(found).some((one) => one.country === country && sameDecimal(one.rate, rate)),
        )
      : wanted === found,
  call: (item) => `the tax “${item.name}”`,
  show: (key, value) =>
    key === 'rates'
      ? ratesOf(value)
          .map(({ country, rate }) => `${rate} % in ${country}`)
          .join(', ')
      : undefined,
}

import { areaNames, areaOf, type AnyDifference, type AreaName, type Inventory } from '../areas/index.js'
import type { Baseline } from '../baseline/schema.js'
import { digitsOf } from '../money/currency.js'
import { digitsNeeded, isDecimal } from '../money/decimal.js'
import { given, textOf } from '../value.js'
import type { Value } from '../area.js'
import type { SomeArea, SomeFound } from './result.js'

/** A unit in which others count: the area that has it, and its key. */
export interface Unit {
  area: string
  key: string
}

/** Units of a site that are not as planned and stay so, each with what it is there and in the plan. */
export type UnsettledUnits = Map<string, { found: string; wanted: string }>

export const unitName = ({ area, key }: Unit): string => `${area}.${key}`

/** The units in which keys of an area are counted. */
export function unitsOf(name: AreaName, keys: readonly string[]): Unit[] {
  const { countedIn = {} } = areaOf(name)
  return keys.flatMap((key) => countedIn[key] ?? [])
}

/** The units of a site, `store.currency` to `GBP`, as far as they were read. */
export function unitsIn(inventory: Inventory): Record<string, string> {
  const units = areaNames.flatMap((name) => Object.values(areaOf(name).countedIn ?? {}).flat())
  return Object.fromEntries(
    units.flatMap((unit) => {
      const value = ((inventory[unit.area as AreaName] ?? [])[0] as SomeFound | undefined)?.item[unit.key]
      return value === undefined ? [] : [[unitName(unit), textOf(value)]]
    }),
  )
}

/** Remembers a unit that stays as it is. */
export function keepUnit(units: UnsettledUnits, area: SomeArea, key: string, wanted: Value, found: Value): void {
  units.set(unitName({ area: area.name, key }), { found: textOf(found), wanted: textOf(wanted) })
}

/** Why a value must wait: it is counted in a unit that is another one there. */
export function waitsForUnit(area: SomeArea, key: string, units: UnsettledUnits): string | undefined {
  for (const unit of area.countedIn?.[key] ?? []) {
    const other = units.get(unitName(unit))
    if (other) return `the file counts in ${other.wanted}, and the site in ${other.found}`
  }
  return undefined
}

/** The units that a plan names itself. */
export const plannedUnits = (baseline: Baseline): ReadonlySet<string> =>
  new Set(
    areaNames.flatMap((name) => {
      const area = areaOf(name)
      if (area.list !== 'one') return []
      return area
        .plan(baseline)
        .flatMap(({ item }) => Object.keys(given(item)).map((key) => unitName({ area: name, key })))
    }),
  )

/** Why a sum can't stand there: it has more digits than the currency of the site, where the file names none. */
export function finerThanThere(
  area: SomeArea,
  key: string,
  value: Value,
  { inventory, planned }: { inventory: Inventory; planned: ReadonlySet<string> },
): string | undefined {
  const unit = area.countedIn?.[key]?.find((one) => one.key === 'currency' && !planned.has(unitName(one)))
  const currency = unit && ((inventory[unit.area as AreaName] ?? [])[0] as SomeFound | undefined)?.item[unit.key]
  if (typeof currency !== 'string' || currency === '' || typeof value !== 'string' || !isDecimal(value))
    return undefined
  return digitsNeeded(value) > digitsOf(currency)
    ? `the site counts in ${currency}, and ${value} is finer than that`
    : undefined
}

/** Those of the chosen differences that may go: what is counted in a unit whose own difference was not chosen waits with it. */
export function inTheirUnits(chosen: readonly AnyDifference[], all: readonly AnyDifference[]): AnyDifference[] {
  const taken = new Set(chosen.map(({ ref, is }) => `${is} ${ref}`))
  const open = new Set(
    all
      .filter(({ ref, is }) => !taken.has(`${is} ${ref}`))
      .flatMap((one) => keysOf(one).map((key) => unitName({ area: one.area, key }))),
  )
  if (open.size === 0) return [...chosen]
  return chosen.filter((one) => {
    const { countedIn = {} } = areaOf(one.area)
    return !keysOf(one).some((key) => countedIn[key]?.some((unit) => open.has(unitName(unit))))
  })
}

/** The keys that a difference writes. */
export const keysOf = (difference: AnyDifference): readonly string[] =>
  difference.is === 'left over'
    ? []
    : difference.is === 'different'
      ? difference.fields
      : Object.keys(difference.wanted)

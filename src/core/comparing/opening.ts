import { areaNames, areaOf, type AreaName, type Inventory } from '../areas/index.js'
import { textOf } from '../value.js'
import type { CompareOptions, Comparison, SomeDifference, SomeFound } from './result.js'

/**
 * Marks what lets more people see something that holds somebody's items: it is asked about apart. Opening again what a run of
 * ours has closed needs nothing.
 */
export function markOpening(
  differences: readonly SomeDifference[],
  inventory: Inventory,
  { tried, closed, ours }: CompareOptions,
  { others }: Comparison,
): SomeDifference[] {
  const inside = areaNames.flatMap((name) => {
    const { within, keepsHolder } = areaOf(name)
    return within && keepsHolder
      ? ((inventory[name] ?? []) as SomeFound[]).map((found) => ({ name, found, within }))
      : []
  })
  const isSomebodys = (name: AreaName, found: SomeFound) =>
    found.origin === "somebody's" && !tried?.(found) && !ours?.(name, found)
  const holds = (ref: string): boolean =>
    inside.some(
      ({ name, found, within }) => textOf(found.item[within]) === ref && (isSomebodys(name, found) || holds(found.ref)),
    )
  return differences.map((difference) => {
    if (difference.is !== 'different') return difference
    const area = areaOf(difference.area)
    if (!area.opens?.(difference.wanted, difference.found.item)) return difference
    const somebodys = area.sideOf ? holds(textOf(difference.found.item[area.sideOf])) : others.length > 0 && !closed
    return somebodys ? { ...difference, opens: true as const } : difference
  })
}

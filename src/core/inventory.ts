import {
  areaNames,
  areaOf,
  type AnyFound,
  type AnyItem,
  type AreaName,
  type Inventory,
  type Reading,
} from './areas/index.js'
import type { Found, ReadItem } from './area.js'
import { originOf } from './shipped.js'

/**
 * Judges what an adapter read: every item gets its ref and its origin.
 * @example inventoryOf({ categories: [{ id: 7, item: { name: 'Tides', slug: 'tides' } }] }).categories?.[0]?.ref // 'categories/tides'
 */
export function inventoryOf(reading: Reading): Inventory {
  const judged = areaNames.flatMap((name) => {
    const read = reading[name] as readonly ReadItem<AnyItem>[] | undefined
    if (!read) return []
    const area = areaOf(name)
    const found = read.map(({ item, id, marks, ...more }): Found<AreaName, AnyItem> => ({
      ...more,
      ref: area.ref(item),
      id,
      item,
      origin: originOf(marks),
      hidden: marks?.hidden ?? false,
      needed: marks?.needed,
    }))
    return [[name, found] as const]
  })
  return Object.fromEntries(judged)
}

/**
 * Every item of an inventory, area by area.
 * @example allFound(inventory).map(({ ref, origin }) => `${ref}: ${origin}`)
 */
export const allFound = (inventory: Inventory): AnyFound[] =>
  areaNames.flatMap((name) => (inventory[name] ?? []) as AnyFound[])

const indexes = new WeakMap<Inventory, ReadonlyMap<string, AnyFound>>()

/**
 * The item that goes by a ref. An inventory is looked through once.
 * @example foundAt(inventory, 'pages/visit')?.address
 */
export function foundAt(inventory: Inventory, ref: string): AnyFound | undefined {
  const index =
    indexes.get(inventory) ??
    new Map(
      allFound(inventory)
        .toReversed()
        .map((found) => [found.ref, found]),
    )
  indexes.set(inventory, index)
  return index.get(ref)
}

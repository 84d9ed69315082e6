import { dequal } from 'dequal'
import { areaNames, areaOf, anyItem, type AnyDifference, type AreaName, type Inventory } from '../core/areas/index.js'
import { markOf, storedIn, type LeftBehind } from '../core/comparing/left.js'
import type { Comparison, SomeArea, SomeFound } from '../core/comparing/result.js'
import type { Value } from '../core/area.js'
import { allFound, foundAt } from '../core/inventory.js'
import { areaIn, nameIn } from '../core/ref.js'
import { grouped } from '../core/grouped.js'
import { textOf } from '../core/value.js'

const areaOfRef = (ref: string): SomeArea => areaOf(areaIn(ref) as AreaName)

/**
 * What an item of ours is known by: the site's own number with the time at which it was made; where the system tells no time,
 * with its name. A number alone is used again, by restored backups and by clones.
 */
export function keyOf({ id, stamp, ref, item }: Pick<SomeFound, 'id' | 'stamp' | 'ref' | 'item'>): string {
  if (stamp !== undefined) return `${id}@${stamp}`
  const { guarded, stays } = areaOfRef(ref)
  return guarded ? `${id}~${stays?.(item) ?? nameIn(ref)}` : String(id)
}

/** Where several items go by one name, ours comes first: what is looked up by the name is that. */
export function oursFirst(inventory: Inventory, isOurs: (found: SomeFound) => boolean): Inventory {
  return Object.fromEntries(
    Object.entries(inventory).map(([name, all]) => {
      const items = all as SomeFound[]
      if (new Set(items.map(({ ref }) => ref)).size === items.length) return [name, all]
      return [name, items.toSorted((a, b) => Number(isOurs(b)) - Number(isOurs(a)))]
    }),
  ) as Inventory
}

/** An area and the key of an item in it. */
export interface Owned {
  area: AreaName
  key: string
  ref: string
}

/** Whether a value is the wanted one, in the area's own way of comparing. */
export const isSame = (area: SomeArea, key: string, want: Value, here: Value | undefined): boolean =>
  area.same?.(key, want, here ?? '') ?? dequal(want, here ?? '')

export const ownedAs = (found: SomeFound): Owned => ({
  area: areaIn(found.ref) as AreaName,
  key: keyOf(found),
  ref: found.ref,
})

/** What was made or changed, and stands there now. */
export function ownedNow(inventory: Inventory, differences: readonly AnyDifference[]): Owned[] {
  const named = grouped(allFound(inventory).map((found) => [found.ref as string, found as SomeFound]))
  return differences.flatMap((difference) => {
    if (difference.is === 'left over' || areaOf(difference.area).list === 'one') return []
    const all = named.get(difference.ref) ?? []
    return all.length === 1 && all[0] ? [ownedAs(all[0])] : []
  })
}

type Marks = Record<string, Record<string, string>>

/** Adds the mark of a value. Of a list that holds at least what is planned, the rest is not ours. */
function addMark(
  to: Marks,
  found: SomeFound,
  area: SomeArea,
  key: string,
  want: Value | undefined,
  asSent = true,
): void {
  const isAtLeast = area.atLeast?.includes(key)
  if (isAtLeast && want === undefined) return
  const mark = markOf(area, key, isAtLeast ? want : storedIn(found, key), asSent)
  to[found.ref] = { ...to[found.ref], [key]: mark }
}

/**
 * Marks of what was just sent, as the site gives it back right after: that is ours, also where it is another value.
 * @param sent differences that the site took
 */
export function leftBySending(inventory: Inventory, sent: readonly AnyDifference[]): Record<string, LeftBehind> {
  const left: Marks = {}
  for (const difference of sent) {
    if (difference.is === 'left over') continue
    const found = foundAt(inventory, difference.ref) as SomeFound | undefined
    if (!found) continue
    const area = areaOf(difference.area)
    const [keys, isWhole]: [readonly string[], boolean] =
      difference.is === 'missing' ? [area.keys, true] : [difference.fields, difference.found.origin === 'shipped']
    for (const key of isWhole ? area.keys : keys) {
      const want = anyItem(difference.wanted)[key]
      // what was not read may hold anything
      if (storedIn(found, key) === undefined) continue
      const wasSent = want !== undefined && keys.includes(key)
      addMark(left, found, area, key, want, !wasSent || isSame(area, key, want, found.item[key]))
    }
  }
  return left
}

/** Marks of what stands as planned, in items that are ours. */
export function leftAsPlanned(
  inventory: Inventory,
  { asPlanned, settled }: Comparison,
  isOurs: (found: SomeFound) => boolean,
): Record<string, LeftBehind> {
  const left: Marks = {}
  const wanted = new Map(
    areaNames.flatMap((name) => (settled[name] ?? []).map((item) => [areaOf(name).ref(item) as string, item] as const)),
  )
  for (const { ref, keys } of asPlanned) {
    const found = foundAt(inventory, ref) as SomeFound | undefined
    if (!found) continue
    const area = areaOfRef(ref)
    if (area.guarded && !isOurs(found)) continue
    for (const key of keys) addMark(left, found, area, key, wanted.get(ref)?.[key])
  }
  return left
}

/** Sides of items (access to a forum) that stand as planned: what the file leaves out is left alone from now on. */
export function stoodOnce(inventory: Inventory, { settled, differences }: Comparison): Owned[] {
  const open = new Set<string>(differences.map(({ ref }) => ref))
  return areaNames.flatMap((name) => {
    const { sideOf, ref } = areaOf(name)
    if (!sideOf) return []
    return (settled[name] ?? []).flatMap((item) => {
      const holder = foundAt(inventory, textOf(item[sideOf])) as SomeFound | undefined
      return open.has(ref(item)) || !holder ? [] : [{ area: name, key: keyOf(holder), ref: ref(item) }]
    })
  })
}

/** Whether anything that we made stands on a site: where nothing does, it is another site. */
export function holdsOurs(inventory: Inventory, ours: Readonly<Record<string, readonly string[]>>): boolean {
  const known = areaNames.filter((name) => (ours[name]?.length ?? 0) > 0)
  // what can't be read may be there
  return (
    known.length === 0 ||
    known.some((name) => inventory[name] === undefined) ||
    allFound(inventory).some((found) => ours[areaIn(found.ref)]?.includes(keyOf(found as SomeFound)))
  )
}

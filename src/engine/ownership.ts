import { dequal } from 'dequal'
import {
  areaNames,
  areaOf,
  anyItem,
  type AnyDifference,
  type AnyItem,
  type AreaName,
  type Inventory,
} from '../core/areas/index.js'
import { markOf, storedIn, type LeftBehind } from '../core/comparing/left.js'
import type { Comparison, SomeArea, SomeFound } from '../core/comparing/result.js'
import type { Value } from '../core/area.js'
import { allFound, foundAt } from '../core/inventory.js'
import { areaIn, nameIn } from '../core/ref.js'
import { grouped } from '../core/grouped.js'
import { given, textOf } from '../core/value.js'
import type { Memory } from './keeping.js'
import type { Intent } from './under-way.js'

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

/** Items of ours, and the values in them that are ours. */
export interface Arrived {
  owned: Owned[]
  left: Record<string, LeftBehind>
}

/**
 * What a run that ended before it could look has done. An item is ours by the number that the run was told, or by exactly the
 * values that it was about to write; of its values only those that it wrote.
 * @param isOver whether that run has ended: what stands there otherwise than it wrote, somebody has changed since
 */
export function arrivedIn(inventory: Inventory, { intents, made }: Memory['underWay'], isOver: boolean): Arrived {
  const named = grouped(allFound(inventory).map((found) => [found.ref as string, found as SomeFound]))
  const byId = grouped<string, SomeFound>(
    areaNames.flatMap((name) =>
      (inventory[name] ?? []).map((found) => [`${name} ${found.id}`, found as SomeFound] as const),
    ),
  )
  const told = made.flatMap(({ area, id, ref }) => (byId.get(`${area} ${id}`) ?? []).map((found) => ({ ref, found })))
  const numbered = new Map(told.map(({ ref, found }) => [ref, found]))
  const owned = told.map(({ found }) => ownedAs(found))
  const left: Arrived['left'] = {}
  for (const { area: name, ref, wanted, keys } of intents) {
    const found = numbered.get(ref) ?? (foundAt(inventory, ref) as SomeFound | undefined)
    if (!found) continue
    const area = areaOf(name as AreaName)
    const isNew = keys === undefined
    if (!numbered.has(ref) && area.guarded) {
      // of two that go by one name nobody knows which it made
      if (isNew && (!stands(area, wanted, found.item) || (named.get(ref)?.length ?? 0) > 1)) continue
      if (isNew) owned.push(ownedAs(found))
    }
    const sent = isOver ? keys : (keys ?? Object.keys(wanted))
    left[found.ref] = { ...left[found.ref], ...writtenIn(area, wanted, sent, found) }
  }
  return { owned, left }
}

/** Marks of the values that a run wrote. What a new item of a run that has ended holds else, somebody has put there. */
function writtenIn(area: SomeArea, wanted: AnyItem, keys: readonly string[] | undefined, found: SomeFound): LeftBehind {
  const marks: Record<string, string> = {}
  for (const key of keys ?? Object.keys(wanted)) {
    const [want, here] = [wanted[key], found.item[key]]
    if (want === undefined || area.onlyNew?.includes(key)) continue
    if (isSame(area, key, want, here))
      marks[key] = markOf(area, key, area.atLeast?.includes(key) ? want : storedIn(found, key))
    else if (keys !== undefined || !area.guarded) continue
    else if (area.apart?.includes(key) && !wasOpened(area, key, want, here)) continue
    else marks[key] = markOf(area, key, here === undefined || here === '' ? here : want)
  }
  return marks
}

/** Whether somebody has opened an item that is closed when it is new. */
const wasOpened = (area: SomeArea, key: string, want: Value, here: Value | undefined): boolean =>
  (area.closedAtFirst?.includes(key) ?? false) && (area.opens?.({ [key]: here }, { [key]: want }) ?? false)

const isSame = (area: SomeArea, key: string, want: Value, here: Value | undefined): boolean =>
  area.same?.(key, want, here ?? '') ?? dequal(want, here ?? '')

const ownedAs = (found: SomeFound): Owned => ({
  area: areaIn(found.ref) as AreaName,
  key: keyOf(found),
  ref: found.ref,
})

/** Whether an item has exactly these values, but for those that are settled in a step of their own. */
function stands(area: SomeArea, wanted: AnyItem, found: AnyItem): boolean {
  return area.keys.every((key) => {
    const want = wanted[key]
    const isEmpty = (found[key] ?? '') === ''
    // a text may be sent in a request of its own; one that we did not send is someone else's
    if (area.texts?.includes(key) && (isEmpty || want === undefined)) return isEmpty
    if (want === undefined || area.apart?.includes(key) || area.onlyNew?.includes(key)) return true
    return isSame(area, key, want, found[key])
  })
}

/** What is about to be written: an item that is new with all its values, another with those that change. */
export const intentsOf = (differences: readonly AnyDifference[]): Intent[] =>
  differences.flatMap((difference): Intent[] => {
    if (difference.is === 'left over') return []
    const { area, ref } = difference
    const wanted = given(anyItem(difference.wanted)) as Intent['wanted']
    return [{ area, ref, wanted, ...(difference.is === 'different' && { keys: [...difference.fields] }) }]
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

import {
  anyItem,
  areaNames,
  areaOf,
  type AnyDifference,
  type AnyItem,
  type AreaName,
  type Inventory,
} from '../core/areas/index.js'
import { markOf, storedIn, type LeftBehind } from '../core/comparing/left.js'
import type { SomeArea, SomeFound } from '../core/comparing/result.js'
import type { Value } from '../core/area.js'
import { allFound, foundAt } from '../core/inventory.js'
import { grouped } from '../core/grouped.js'
import { given } from '../core/value.js'
import type { Memory } from './keeping.js'
import { isSame, ownedAs, type Owned } from './ownership.js'
import type { Intent } from './under-way.js'

/* What a run has left on a site if it ended before it could read the site again. */

/** Items of ours, and the values in them that are ours. */
export interface Arrived {
  owned: Owned[]
  left: Record<string, LeftBehind>
  /** Refs of items that were made: marks of an earlier item of that name no longer count. */
  anew: Set<string>
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
  const anew = new Set<string>()
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
    // in the run itself: it has just remembered keys that can't be read
    if (isNew && isOver) anew.add(found.ref)
    const sent = isOver ? keys : (keys ?? Object.keys(wanted))
    left[found.ref] = { ...left[found.ref], ...writtenIn(area, wanted, sent, found) }
  }
  return { owned, left, anew }
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

/** Whether a person has opened an item that was closed when it was new. */
const wasOpened = (area: SomeArea, key: string, want: Value, here: Value | undefined): boolean =>
  (area.closedAtFirst?.includes(key) ?? false) && (area.opens?.({ [key]: here }, { [key]: want }) ?? false)

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

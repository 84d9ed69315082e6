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
import type { Comparison, SomeFound } from '../core/comparing/result.js'
import { allFound, foundAt } from '../core/inventory.js'
import { areaIn } from '../core/ref.js'
import { grouped } from '../core/grouped.js'
import { bodyDigest } from '../core/text/normal-form.js'
import { given, textOf } from '../core/value.js'
import type { Memory } from './keeping.js'
import type { Intent } from './under-way.js'

/** What an item of ours is known by: its number, and when it was made where the system tells that. */
export const keyOf = ({ id, stamp }: Pick<SomeFound, 'id' | 'stamp'>): string =>
  stamp === undefined ? String(id) : `${id}@${stamp}`

/** An area and the key of an item in it. */
export interface Owned {
  area: AreaName
  key: string
  ref: string
  /** The digest of its text, where it has one. */
  text?: string
}

/** What a run that ended before it could look has made: by the number it was told, or by the values it was about to write. */
export function arrivedIn(inventory: Inventory, { intents, made }: Memory['underWay']): Owned[] {
  const byId = grouped<string, SomeFound>(
    areaNames.flatMap((name) =>
      (inventory[name] ?? []).map((found) => [`${name} ${found.id}`, found as SomeFound] as const),
    ),
  )
  const told = made.flatMap(({ area, id }) =>
    (byId.get(`${area} ${id}`) ?? []).map((found) => owned(area as AreaName, found)),
  )
  const meant = intents.flatMap(({ area, ref, wanted }) => {
    const found = foundAt(inventory, ref) as SomeFound | undefined
    return found && stands(area as AreaName, wanted, found.item) ? [owned(area as AreaName, found)] : []
  })
  return [...told, ...meant]
}

const owned = (area: AreaName, found: SomeFound): Owned => {
  const { body } = found.item as { body?: string }
  return { area, key: keyOf(found), ref: found.ref, ...(body !== undefined && { text: bodyDigest(body) }) }
}

/** Whether an item has exactly these values, but for those that are settled in a step of their own. */
function stands(name: AreaName, wanted: AnyItem, found: AnyItem): boolean {
  const area = areaOf(name)
  return area.keys.every((key) => {
    const want = wanted[key]
    if (want === undefined || area.apart?.includes(key) || area.onlyNew?.includes(key)) return true
    const here = found[key] ?? ''
    // a text may come in a request of its own
    if (area.texts?.includes(key) && here === '') return true
    return area.same?.(key, want, here) ?? dequal(want, here)
  })
}

/** What is about to be written, as far as it makes an item somebody could take for their own. */
export const intentsOf = (differences: readonly AnyDifference[]): Intent[] =>
  differences.flatMap(({ area, ref, ...difference }) =>
    difference.is === 'left over' || !areaOf(area).guarded
      ? []
      : [{ area, ref, wanted: given(anyItem(difference.wanted)) as Intent['wanted'] }],
  )

/** What was made or changed, and stands there now. */
export function ownedNow(inventory: Inventory, differences: readonly AnyDifference[]): Owned[] {
  return differences.flatMap((difference) => {
    if (difference.is === 'left over' || areaOf(difference.area).list === 'one') return []
    const found = foundAt(inventory, difference.ref)
    return found ? [owned(difference.area, found as SomeFound)] : []
  })
}

/** Sides of items (access to a forum) that stand as planned: what the file leaves out is left alone from now on. */
export function stoodOnce(inventory: Inventory, { settled, differences }: Comparison): Owned[] {
  const open = new Set<string>(differences.map(({ ref }) => ref))
  return areaNames.flatMap((name) => {
    const { sideOf, ref } = areaOf(name)
    if (!sideOf) return []
    return (settled[name] ?? []).flatMap((item) => {
      const holder = foundAt(inventory, textOf(item[sideOf]))
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
    allFound(inventory).some((found) => ours[areaIn(found.ref)]?.includes(keyOf(found)))
  )
}

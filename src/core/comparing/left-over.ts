import { anyItem, areaNames, areaOf, type AnyDifference, type AreaName, type Inventory } from '../areas/index.js'
import { goesIn, type Baseline } from '../baseline/schema.js'
import type { Value } from '../area.js'
import { areaIn, nameIn } from '../ref.js'
import { CAME_EARLY } from '../shipped.js'
import { textOf } from '../value.js'
import type { Pair } from './bind.js'
import type { Comparison, SomeArea, SomeDifference, SomeFound } from './result.js'

/** Why an item goes although it did not ship: the baseline says so. */
function goesBy(
  baseline: Baseline,
  area: SomeArea,
  found: SomeFound,
  { sampled, tried, unwanted, alone }: Came,
): string | undefined {
  const named = (baseline.gone as Record<string, string[] | undefined>)[area.key ?? area.name]
  if (named?.includes(nameIn(found.ref)) || named?.includes(alone(area, found) ?? ''))
    return 'the baseline says that it is to go'
  if (tried(found)) return 'a trial of ours has left it behind'
  if (unwanted(found)) return "it came in the site's first minutes, and nobody has changed it since"
  if (baseline.samples === 'none' && sampled(found) === 'untouched')
    return 'it came with sample content, and nobody touched it'
  if (area.software && !found.needed && baseline.only.includes(area.name))
    return 'the baseline keeps only those it names'
  return area.goes?.(found.item, baseline)
}

/** Whether an item came with sample content of an earlier run, and whether it was touched since. */
export type Sampled = (found: SomeFound) => 'untouched' | 'touched' | undefined

/** What tells of an item how it came. */
export interface Came {
  sampled: Sampled
  /** A shorter name by which the baseline may call it, since it is the only one of that name. */
  alone: (area: SomeArea, found: SomeFound) => string | undefined
  /** Left behind by a trial of ours. */
  tried: (found: SomeFound) => boolean
  /** Its owner was asked about it, and wants to remove it. */
  unwanted: (found: SomeFound) => boolean
}

/** What stays of an item wherever it is moved, where no other of its area is called the same. */
export function aloneIn(inventory: Inventory): Came['alone'] {
  const known = new Map<string, number>()
  for (const name of areaNames) {
    const { stays } = areaOf(name)
    for (const { item } of stays ? (inventory[name] ?? []) : []) {
      const key = `${name} ${stays?.(anyItem(item)) ?? ''}`
      known.set(key, (known.get(key) ?? 0) + 1)
    }
  }
  return (area, { item }) => {
    const name = area.stays?.(item)
    return name !== undefined && known.get(`${area.name} ${name}`) === 1 ? name : undefined
  }
}

const isSomebodys = ({ origin }: SomeFound): boolean => origin === "somebody's"

/** Refs of content that neither shipped nor came with samples nor is in the baseline, wanted or gone. */
export const othersIn = (area: SomeArea, rest: readonly SomeFound[], baseline: Baseline, came: Came): string[] =>
  rest
    .filter(
      (found) =>
        !area.software &&
        isSomebodys(found) &&
        came.sampled(found) === undefined &&
        goesBy(baseline, area, found, came) === undefined,
    )
    .map(({ ref }) => ref)
    .filter((ref, index, all) => all.indexOf(ref) === index)

interface Around {
  baseline: Baseline
  inventory: Inventory
  inUse: boolean
  came: Came
  /** What the baseline means to keep, by its ref to come. */
  planned: ReadonlyMap<string, Pair>
}

/** Something in a container that neither shipped nor stands in the baseline. */
function heldIn(
  area: SomeArea,
  { ref }: SomeFound,
  inventory: Inventory,
  planned: Around['planned'],
): string | undefined {
  const { holds = [] } = area
  const kept = new Set([...planned.values()].flatMap(({ found }) => (found ? [found.ref as string] : [])))
  const isIn = (to: Value | undefined) => (Array.isArray(to) ? (to as readonly Value[]).includes(ref) : to === ref)
  return holds
    .flatMap(({ area: name, by }) =>
      ((inventory[name as AreaName] ?? []) as SomeFound[]).filter(({ item }) => isIn(item[by])),
    )
    .find((found) => found.origin !== 'shipped' && !kept.has(found.ref))?.ref
}

/** What becomes of items that no plan means: some go, the others are kept, and it is said why. */
export function leftOver(
  area: SomeArea,
  rest: readonly SomeFound[],
  { baseline, inventory, inUse, came, planned }: Around,
  result: Comparison,
  differences: SomeDifference[],
): void {
  for (const found of rest) {
    const what = area.call(found.item)
    const goes = (because: string) => {
      const why = area.unkept === undefined ? because : `${because}; it can't be given back: ${area.unkept}`
      differences.push({ area: area.name, ref: found.ref, is: 'left over', found, because: why })
    }
    const keep = (text: string) => result.kept.push({ ref: found.ref, text })
    const mayGo = goesIn(baseline, area.key ?? area.name)
    const because = goesBy(baseline, area, found, came)
    const holds = because === undefined ? heldIn(area, found, inventory, planned) : undefined
    if (because !== undefined) goes(because)
    else if (came.sampled(found) !== undefined) keep(`${what} came with sample content`)
    else if (found.origin === 'shipped, edited') keep(`${what} shipped with the system and was edited since`)
    else if (area.software && isSomebodys(found)) result.extras.push({ ref: found.ref, text: what })
    else if (isSomebodys(found)) keep(`${what} is somebody's own`)
    else if (!mayGo) continue
    else if (found.needed)
      keep(`${what} shipped, and the site can't be without it${area.takenOver ? `; ${area.takenOver}` : ''}`)
    else if (holds !== undefined) keep(`${what} shipped, but contains something else: ${holds}`)
    else if (found.origin === 'came in the first minutes') {
      keep(`${what} ${CAME_EARLY}: it stays`)
      if (!inUse) result.early.push(found.ref)
    } else if (inUse) keep(`${what} shipped with the system; on a site in use it stays`)
    else goes('it shipped with the system, and nobody touched it')
  }
}

/** On a site in use, what shipped within an item stays as well. */
export const leavingShipped = (area: SomeArea, pairs: readonly Pair[], result: Comparison): Pair[] =>
  pairs.map((pair) => {
    const { plan, found, ref } = pair
    const stay = (area.empties ?? []).filter((key) => plan.item[key] === '' && (found?.item[key] ?? '') !== '')
    if (stay.length === 0 || found?.origin !== 'shipped') return pair
    const what = stay.map((key) => area.say?.(key) ?? key).join(', ')
    result.kept.push({
      ref,
      text: `${area.call(found.item)}: ${what} shipped with the system; on a site in use it stays`,
    })
    const rest = Object.fromEntries(Object.entries(plan.item).filter(([key]) => !stay.includes(key)))
    return { ...pair, plan: { ...plan, item: rest } }
  })

/** Where what shipped is to go, so does what shipped within an item that the file takes over and says nothing else of. */
export const emptyingShipped = (area: SomeArea, pairs: readonly Pair[], baseline: Baseline): readonly Pair[] => {
  const { empties } = area
  if (!empties || !goesIn(baseline, area.key ?? area.name)) return pairs
  return pairs.map((pair) => {
    const { plan, found } = pair
    if (found?.origin !== 'shipped') return pair
    const goes = empties.filter((key) => plan.item[key] === undefined && (found.item[key] ?? '') !== '')
    const emptied = Object.fromEntries(goes.map((key) => [key, '']))
    return { ...pair, plan: { ...plan, item: { ...plan.item, ...emptied } } }
  })
}

/** What stands within an item that goes needs no removal of its own. */
export function fallingWith(differences: readonly SomeDifference[]): AnyDifference[] {
  const going = new Set(differences.filter(({ is }) => is === 'left over').map(({ ref }) => ref as string))
  return differences.map((difference) => {
    const { within } = areaOf(difference.area)
    if (difference.is !== 'left over' || !within) return difference
    const holder = textOf(difference.found.item[within])
    return going.has(holder) ? { ...difference, fallsWith: holder } : difference
  }) as AnyDifference[]
}

/**
 * What holds something that stays is not removed, whatever the baseline says: the owner is told what holds on to it.
 * @param pairs what the baseline means to keep, and where that will stand
 */
export function holdingOn(
  differences: readonly SomeDifference[],
  pairs: readonly Pair[],
  inventory: Inventory,
  result: Comparison,
): SomeDifference[] {
  const going = new Map(differences.flatMap((one) => (one.is === 'left over' ? [[one.ref as string, one]] : [])))
  const planned = new Map(pairs.flatMap(({ found, plan }) => (found ? [[found.ref as string, plan]] : [])))
  const inside = areaNames.flatMap((name) => {
    const { within, keepsHolder, under } = areaOf(name)
    const by = keepsHolder ? within : under
    return by === undefined ? [] : ((inventory[name] ?? []) as SomeFound[]).map((found) => ({ found, by }))
  })
  for (let held = true; held;) {
    held = false
    for (const { found, by } of inside) {
      const plan = planned.get(found.ref)
      // one that is moved elsewhere holds on to where it will stand
      const holder = textOf(plan?.item[by] ?? anyItem(found.item)[by])
      const lost = going.get(holder)
      if (!lost || going.has(found.ref)) continue
      going.delete(holder)
      held = true
      const [area, inner] = [areaOf(lost.area), areaOf(areaIn(found.ref) as AreaName)]
      result.kept.push({
        ref: holder,
        text: `${area.call(anyItem(lost.found.item))} holds ${inner.call(anyItem(found.item))}: it stays`,
      })
    }
  }
  return differences.filter((one) => one.is !== 'left over' || going.has(one.ref))
}

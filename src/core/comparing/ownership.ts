import type { Baseline } from '../baseline/schema.js'
import { areaOf, type AnyItem, type AreaName, type Inventory } from '../areas/index.js'
import type { Plan } from '../area.js'
import { CAME_EARLY, type Origin } from '../shipped.js'
import { areaIn } from '../ref.js'
import { textOf } from '../value.js'
import type { Pair } from './bind.js'
import type { CompareOptions, Comparison, SomeArea, SomeDifference, SomeFound } from './result.js'

/** Whether the owner asked for planned texts over later edits, or for somebody's own item to be taken over: of all, or of this. */
export const isAsked = (again: CompareOptions['again'], ref: string): boolean =>
  again === true || (Array.isArray(again) && (again as readonly string[]).includes(ref))

/** Whether an item is one that we made or took over on this site. */
export const isOurs = (area: SomeArea, found: SomeFound, { ours, left }: CompareOptions): boolean =>
  ours ? ours(area.name, found) : left?.(found.ref) !== undefined

/** The story of an item under a planned name that Unpack did not make, by its origin. */
const stories: Partial<Record<Origin, string>> = {
  'shipped, edited': 'shipped and was edited since',
  'came in the first minutes': CAME_EARLY,
}

export interface Whose {
  baseline: Baseline
  inventory: Inventory
  options: CompareOptions
}

/**
 * Why an item that stands under a planned name is somebody's, and is neither changed nor given anything: neither we made it on
 * this site, nor did it ship.
 * @param differs whether it stands otherwise than planned; what stands as planned is as planned, whoever made it
 * @returns the reason in an owner's words; `undefined` where it may be settled
 */
export function whyTheirs(
  area: SomeArea,
  { plan, ref, found, meant }: Pair,
  differs: () => boolean,
  { baseline, inventory, options }: Whose,
): string | undefined {
  // what the file knows by the name it had is meant, whoever made it
  if (!area.guarded || !found || meant || plan.ours || isOurs(area, found, options) || isAsked(options.again, ref))
    return undefined
  if (found.origin === 'shipped') return undefined
  const strange = area.strange?.(found.item, baseline, (name) =>
    ((inventory[name as AreaName] ?? []) as SomeFound[]).map((one) => ({
      item: one.item,
      isOurs: isOurs(areaOf(name as AreaName), one, options),
    })),
  )
  if (strange === undefined && !differs()) return undefined
  const what = area.call(found.item)
  const whose = `${what} ${stories[found.origin] ?? "is somebody's own"}`
  return `${whose}${strange === undefined ? '' : ` (${strange})`}: it stands under this name and is left alone; write another name into the baseline, or take it over with --again=${ref}`
}

/** What would give rights to something that is somebody's, or change what holds it, is held back and told. */
export function trustingNobodys(
  differences: readonly SomeDifference[],
  conflicts: ReadonlySet<string>,
  baseline: Baseline,
  result: Comparison,
): SomeDifference[] {
  if (conflicts.size === 0) return [...differences]
  return differences.filter((difference) => {
    if (difference.is === 'left over') return true
    const area = areaOf(difference.area)
    const needed = area.trusts?.(difference.wanted, baseline).find((ref) => conflicts.has(ref))
    if (needed === undefined) return true
    const text = `${area.call(difference.wanted)} waits: ${needed} is somebody's own`
    result.byHand.push({ ref: difference.ref, text })
    return false
  })
}

/**
 * What the baseline leaves out counts for what we have made, until it stood there once; later, and for what others made, it
 * stays as it is.
 */
export function keepingWhatStands(
  area: SomeArea,
  pairs: readonly Pair[],
  holders: ReadonlyMap<string, Pair>,
  { options, baseline }: Whose,
): Pair[] {
  const { sideOf } = area
  if (!sideOf || !pairs.some(({ plan }) => plan.whileNew)) return [...pairs]
  const isKept = ({ plan }: Pair): boolean => {
    const holder = holders.get(textOf(plan.item[sideOf]))?.found
    if (!plan.whileNew || !holder) return false
    const mine = holder.origin === 'shipped' || isOurs(areaOf(areaIn(holder.ref) as AreaName), holder, options)
    return !mine || (options.ours?.(area.name, holder) ?? false)
  }
  const kept = pairs.filter(isKept)
  const standing = kept.flatMap(({ found }) => (found ? [found.item] : []))
  const others = pairs.filter((pair) => !kept.includes(pair))
  return [
    ...kept.flatMap((pair) =>
      pair.found ? [{ ...pair, plan: { item: pair.found.item } satisfies Plan<AnyItem> }] : [],
    ),
    ...(area.beside && standing.length > 0
      ? others.map((pair) => ({
          ...pair,
          plan: { ...pair.plan, item: area.beside?.(pair.plan.item, standing, baseline) ?? pair.plan.item },
        }))
      : others),
  ]
}

import { anyItem, areaNames, areaOf, type AnyDifference, type AnyItem, type AreaName, type Inventory } from './areas/index.js'
import type { Ability, Difference, Found, Plan, Value } from './area.js'
import { goesIn, type Baseline } from './baseline/schema.js'
import { inOrder } from './order.js'
import { nameIn, type Ref } from './ref.js'
import { bodyDigest } from './text/normal-form.js'

export interface CompareOptions {
  /** Whether the site's system can be given a key; what is not said: it can. */
  can?: (area: AreaName, key: string) => Ability
  /** The digest of the text we last wrote to a ref, if we did. */
  written?: (ref: string) => string | undefined
  /** Write planned texts even over later edits. */
  again?: boolean
}

/** A remark about an item or a key. */
export interface Remark {
  ref: string
  text: string
}

/** What a baseline and a site have to say to each other. */
export interface Comparison {
  /** In the order in which they would be settled. */
  differences: AnyDifference[]
  /** Left as they are, because somebody made or changed them. */
  kept: Remark[]
  /** What differs and can only be changed by hand. */
  byHand: Remark[]
  /** What can be sent and not read back. */
  unseen: Remark[]
  /** What this system hasn't got. */
  never: Remark[]
  /** What is worth knowing beside that. */
  notes: Remark[]
  /** Refs of what neither shipped nor stands in the baseline: any makes it a site in use. */
  others: string[]
  /** What should stand on the site afterwards, area by area; a kept text is the one that is there. */
  settled: { [A in AreaName]?: readonly AnyItem[] }
}

type AnyArea = ReturnType<typeof areaOf>
type F = Found<AreaName, AnyItem>
type D = Difference<AreaName, AnyItem>
type P = Plan<AnyItem>
const valueOf = (item: AnyItem, key: string): Value | undefined => item[key]
const foundIn = (inventory: Inventory, name: AreaName): F[] => (inventory[name] ?? []).map((found) => ({ ...found, item: anyItem(found.item) }))

/**
 * Compares a baseline with what is on a site.
 * @param baseline how it should be
 * @param inventory what is there, judged
 * @returns the differences in the order of settling, and what is left as it is and why
 */
export function compare(baseline: Baseline, inventory: Inventory, options: CompareOptions = {}): Comparison {
  const result: Comparison = { differences: [], kept: [], byHand: [], unseen: [], never: [], notes: [], others: [], settled: {} }
  const bound = new Map<AreaName, Binding>()
  for (const name of areaNames) {
    const area = areaOf(name)
    if (inventory[name]) bound.set(name, bind(area, area.plan(baseline), foundIn(inventory, name)))
  }
  // somebody's own items decide first: on a site in use, what shipped stays too
  for (const [name, binding] of bound) result.others.push(...othersIn(areaOf(name), binding, baseline))
  const inUse = result.others.length > 0
  if (inUse) for (const [name, binding] of bound) if (binding.takenOver) bound.set(name, bind(areaOf(name), areaOf(name).plan(baseline), foundIn(inventory, name), false))

  const toCome = new Map([...bound.values()].flatMap(({ pairs }) => pairs.flatMap(({ found, ref }) => (found ? [[found.ref as string, ref as string] as const] : []))))
  const differences: D[] = []
  for (const name of areaNames) {
    const area = areaOf(name)
    const binding = bound.get(name)
    if (!binding) {
      for (const plan of area.plan(baseline)) result.never.push({ ref: area.ref(plan.item), text: `this system has no ${area.title}` })
      continue
    }
    result.settled[name] = binding.pairs.map((pair) => weigh(area, pair, toCome, baseline, options, result, differences))
    result.notes.push(...binding.notes)
    leftOver(area, binding, baseline, inUse, differences, result)
  }
  result.differences = inOrder(fallingWith(differences))
  return result
}

interface Binding {
  pairs: { plan: P; ref: Ref<AreaName>; found?: F }[]
  rest: F[]
  notes: Remark[]
  takenOver: boolean
}

/** Finds the item that each plan means: by its ref, by the ref it had, or by taking over what shipped. */
function bind(area: AnyArea, plans: readonly P[], found: readonly F[], mayTakeOver = true): Binding {
  const rest = new Set(found)
  const notes: Remark[] = []
  const pairs: Binding['pairs'] = plans.map((plan) => ({ plan, ref: area.ref(plan.item) }))
  const take = (pair: Binding['pairs'][number], item: F | undefined) => {
    if (item && !pair.found) {
      pair.found = item
      rest.delete(item)
    }
  }
  if (area.list === 'one') for (const pair of pairs) take(pair, found[0])
  for (const pair of pairs) take(pair, [...rest].find((item) => item.ref === pair.ref))
  for (const pair of pairs) take(pair, [...rest].find((item) => item.ref === pair.plan.was))
  let takenOver = false
  for (const pair of pairs) {
    if (pair.found || !pair.plan.replacesShipped) continue
    const shipped = [...rest].find((item) => item.origin === 'shipped' && !item.hidden)
    if (mayTakeOver && shipped) {
      take(pair, shipped)
      takenOver = true
    } else notes.push({ ref: pair.ref, text: `${area.call(pair.plan.item)} is made new: ${mayTakeOver ? 'what shipped in its place was edited or is gone' : 'on a site in use nothing is taken over'}` })
  }
  return { pairs, rest: [...rest], notes, takenOver }
}

const isGone = (baseline: Baseline, area: AnyArea, found: F): boolean =>
  ((baseline.gone as Record<string, string[] | undefined>)[area.name] ?? []).includes(nameIn(found.ref))

function othersIn(area: AnyArea, { rest }: Binding, baseline: Baseline): string[] {
  return rest.filter((found) => found.origin === "somebody's" && (area.counts?.(found) ?? true) && !isGone(baseline, area, found)).map(({ ref }) => ref)
}

/** Looks at one planned item; gives the item as it should stand afterwards. */
function weigh(area: AnyArea, { plan, ref, found }: Binding['pairs'][number], toCome: ReadonlyMap<string, string>, baseline: Baseline, options: CompareOptions, result: Comparison, differences: D[]): AnyItem {
  const can = (key: string): Ability => options.can?.(area.name, key) ?? 'can'
  const excused = (key: string) => baseline.leave.includes(`${area.name}.${key}`)
  const wantedKeys = area.keys.filter((key) => valueOf(plan.item, key) !== undefined && !excused(key))
  const never = wantedKeys.filter((key) => typeof can(key) === 'object' && 'never' in (can(key) as object))
  for (const key of never) result.never.push({ ref: `${area.name}.${key}`, text: `${area.say?.(key) ?? key}: ${(can(key) as { never: string }).never}` })
  const keys = wantedKeys.filter((key) => !never.includes(key))
  const wanted = Object.fromEntries(keys.map((key) => [key, valueOf(plan.item, key)]))
  if (!found) {
    differences.push({ area: area.name, ref, is: 'missing', wanted })
    return wanted
  }
  const differing = keys.filter((key) => {
    const here = valueOf(found.item, key) ?? ''
    const there = area.links?.includes(key) ? (toCome.get(String(here)) ?? here) : here
    const want = valueOf(wanted, key) ?? ''
    return !(area.same?.(key, want, there) ?? want === there)
  })
  const fields: typeof differing = []
  const after: Record<string, Value | undefined> = { ...found.item, ...wanted }
  for (const key of differing) {
    const ability = can(key)
    if (typeof ability === 'object' && 'byHand' in ability) result.byHand.push({ ref: `${area.name}.${key}`, text: ability.byHand })
    else if (area.texts?.includes(key) && found.origin !== 'shipped' && !options.again && !isOurs(found, key, options, plan.was)) {
      result.kept.push({ ref, text: `the text of ${area.call(found.item)} was changed since, or is not ours: it stays (--again writes the planned one)` })
      after[key] = valueOf(found.item, key)
    } else {
      if (ability === 'unseen') result.unseen.push({ ref: `${area.name}.${key}`, text: `${area.say?.(key) ?? key} can't be read back` })
      fields.push(key)
    }
  }
  if (fields.length > 0) differences.push({ area: area.name, ref, is: 'different', wanted, found, fields })
  return after
}

/** True if the text that stands there is the one we wrote last; an empty one is nobody's. */
function isOurs(found: F, key: string, options: CompareOptions, was?: string): boolean {
  const text = String(valueOf(found.item, key) ?? '')
  const last = options.written?.(found.ref) ?? (was === undefined ? undefined : options.written?.(was))
  return text.trim() === '' || last === bodyDigest(text)
}

function leftOver(area: AnyArea, { rest }: Binding, baseline: Baseline, inUse: boolean, differences: D[], result: Comparison): void {
  for (const found of rest) {
    const what = area.call(found.item)
    if (isGone(baseline, area, found)) differences.push({ area: area.name, ref: found.ref, is: 'left over', found, because: 'the baseline says that it is to go' })
    else if (found.origin === 'shipped' && goesIn(baseline, area.name)) {
      if (found.needed) result.kept.push({ ref: found.ref, text: `${what} shipped, and the system can't be without it; “replaces: shipped” in the baseline takes it over` })
      else if (inUse) result.kept.push({ ref: found.ref, text: `${what} shipped with the system; on a site in use it stays` })
      else differences.push({ area: area.name, ref: found.ref, is: 'left over', found, because: 'it shipped with the system, and nobody touched it' })
    } else if (found.origin === 'shipped, edited') result.kept.push({ ref: found.ref, text: `${what} shipped with the system and was edited since` })
    else if (found.origin === 'probably shipped' && goesIn(baseline, area.name)) result.kept.push({ ref: found.ref, text: `${what} probably shipped, but its text is not one we know` })
    else if (found.origin === "somebody's" && (area.counts?.(found) ?? true)) result.kept.push({ ref: found.ref, text: `${what} is somebody's own` })
  }
}

/** What stands within an item that goes needs no removal of its own. */
function fallingWith(differences: readonly D[]): AnyDifference[] {
  const going = new Set(differences.filter(({ is }) => is === 'left over').map(({ ref }) => ref as string))
  return differences.map((difference) => {
    const within = areaOf(difference.area).within
    if (difference.is !== 'left over' || !within) return difference
    const holder = String(valueOf(difference.found.item, within) ?? '')
    return going.has(holder) ? { ...difference, fallsWith: holder } : difference
  }) as AnyDifference[]
}

import { grouped } from '../grouped.js'
import type { AreaName } from '../areas/index.js'
import type { Ref } from '../ref.js'
import type { Remark, SomeArea, SomeFound, SomePlan } from './result.js'

export interface Pair {
  plan: SomePlan
  ref: Ref<AreaName>
  /** The item on the site that the plan means, if there is one. */
  found?: SomeFound
  /** The file knows it by the name it had: whoever made it is meant. */
  meant?: true
}

export interface Binding {
  pairs: Pair[]
  /** What no plan means. */
  rest: SomeFound[]
  notes: Remark[]
}

/** Finds the item that each plan means: by its ref, by the ref it had, elsewhere, or by taking over what shipped. */
export function bind(
  area: SomeArea,
  plans: readonly SomePlan[],
  found: readonly SomeFound[],
  mayTakeOver: boolean,
  isOurs: (found: SomeFound) => boolean,
): Binding {
  const rest = new Set(found)
  const notes: Remark[] = []
  const pairs: Pair[] = plans.map((plan) => ({ plan, ref: area.ref(plan.item) }))
  const byRef = new Map(found.toReversed().map((item) => [item.ref as string, item]))
  const take = (pair: Pair, item: SomeFound | undefined): boolean => {
    if (pair.found || !item || !rest.delete(item)) return false
    pair.found = item
    return true
  }
  if (area.list === 'one') for (const pair of pairs) take(pair, [...rest][0])
  for (const pair of pairs) take(pair, byRef.get(pair.ref))
  for (const pair of pairs) if (take(pair, byRef.get(pair.plan.was ?? ''))) pair.meant = true
  const elsewhere = movedIn(area, pairs, rest, isOurs)
  for (const pair of pairs) if (take(pair, elsewhere(pair)) && pair.plan.wasAnywhere) pair.meant = true

  for (const pair of pairs) {
    if (pair.found || !pair.plan.replacesShipped) continue
    const shipped = [...rest].find(({ origin, hidden }) => origin === 'shipped' && !hidden)
    if (mayTakeOver && take(pair, shipped)) continue
    const why = mayTakeOver
      ? 'what shipped in its place was edited or is gone'
      : 'on a site in use nothing is taken over'
    notes.push({ ref: pair.ref, text: `${area.call(pair.plan.item)} is made new: ${why}` })
  }
  // a one-item area has nothing beside its item that could be left over
  const left = area.list === 'one' ? [] : [...rest]
  return { pairs, rest: area.oursStay ? left.filter((one) => !isOurs(one)) : left, notes }
}

/**
 * Finds what was moved: the only item that is the same but for its place, and ours, where one plan alone wants it. What the file
 * knows by its name is meant, whoever made it.
 */
function movedIn(
  area: SomeArea,
  pairs: readonly Pair[],
  rest: ReadonlySet<SomeFound>,
  isOurs: (found: SomeFound) => boolean,
): (pair: Pair) => SomeFound | undefined {
  const { stays } = area
  if (!stays) return () => undefined
  const standing = grouped([...rest].map((item) => [stays(item.item), item] as const))
  const wanting = grouped(pairs.filter(({ found }) => !found).map((pair) => [stays(pair.plan.item), pair] as const))
  return ({ plan: { was, wasAnywhere, item } }) => {
    const name = wasAnywhere ? (was?.split('/').at(-1) ?? '') : stays(item)
    const same = (standing.get(name) ?? []).filter((one) => rest.has(one) && (wasAnywhere ?? isOurs(one)))
    const isClear = same.length === 1 && (wasAnywhere ?? wanting.get(name)?.length === 1)
    return isClear ? same[0] : undefined
  }
}

import type { AreaName } from '../areas/index.js'
import type { Ref } from '../ref.js'
import type { Remark, SomeArea, SomeFound, SomePlan } from './result.js'

export interface Pair {
  plan: SomePlan
  ref: Ref<AreaName>
  /** The item on the site that the plan means, if there is one. */
  found?: SomeFound
}

export interface Binding {
  pairs: Pair[]
  /** What no plan means. */
  rest: SomeFound[]
  notes: Remark[]
}

/** Finds the item that each plan means: by its ref, by the ref it had, or by taking over what shipped. */
export function bind(
  area: SomeArea,
  plans: readonly SomePlan[],
  found: readonly SomeFound[],
  mayTakeOver: boolean,
): Binding {
  const rest = new Set(found)
  const notes: Remark[] = []
  const pairs: Pair[] = plans.map((plan) => ({ plan, ref: area.ref(plan.item) }))
  const take = (pair: Pair, fits: (item: SomeFound) => boolean): boolean => {
    const item = pair.found ? undefined : [...rest].find(fits)
    if (!item) return false
    pair.found = item
    return rest.delete(item)
  }
  if (area.list === 'one') for (const pair of pairs) take(pair, () => true)
  for (const pair of pairs) take(pair, ({ ref }) => ref === pair.ref)
  for (const pair of pairs) take(pair, ({ ref }) => ref === pair.plan.was)

  for (const pair of pairs) {
    if (pair.found || !pair.plan.replacesShipped) continue
    if (mayTakeOver && take(pair, ({ origin, hidden }) => origin === 'shipped' && !hidden)) continue
    const why = mayTakeOver
      ? 'what shipped in its place was edited or is gone'
      : 'on a site in use nothing is taken over'
    notes.push({ ref: pair.ref, text: `${area.call(pair.plan.item)} is made new: ${why}` })
  }
  // what there is only one of is nobody's to take away
  return { pairs, rest: area.list === 'one' ? [] : [...rest], notes }
}

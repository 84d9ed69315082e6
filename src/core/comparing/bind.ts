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

/** An item that was moved: the only one that is the same but for its place, and ours, unless the file knows it by its name. */
function takeElsewhere(
  area: SomeArea,
  pair: Pair,
  pairs: readonly Pair[],
  rest: Set<SomeFound>,
  isOurs: (found: SomeFound) => boolean,
): void {
  const { stays } = area
  if (pair.found || !stays) return
  const { was, wasAnywhere, item } = pair.plan
  const of = wasAnywhere ? was?.split('/').at(-1) : stays(item)
  const same = [...rest].filter((one) => stays(one.item) === of && (wasAnywhere ?? isOurs(one)))
  const [only] = same
  const others = pairs.filter((one) => one !== pair && !one.found && stays(one.plan.item) === of)
  if (!only || same.length > 1 || (others.length > 0 && !wasAnywhere)) return
  pair.found = only
  if (wasAnywhere) pair.meant = true
  rest.delete(only)
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
  const take = (pair: Pair, fits: (item: SomeFound) => boolean): boolean => {
    const item = pair.found ? undefined : [...rest].find(fits)
    if (!item) return false
    pair.found = item
    return rest.delete(item)
  }
  if (area.list === 'one') for (const pair of pairs) take(pair, () => true)
  for (const pair of pairs) take(pair, ({ ref }) => ref === pair.ref)
  for (const pair of pairs) if (take(pair, ({ ref }) => ref === pair.plan.was)) pair.meant = true
  for (const pair of pairs) takeElsewhere(area, pair, pairs, rest, isOurs)

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

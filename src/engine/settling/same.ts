import type { AnyDifference, Inventory } from '../../core/areas/index.js'
import type { Comparison } from '../../core/compare.js'
import { foundAt } from '../../core/inventory.js'

/** What tells differences apart from one comparison to the next: that an item is to come, or to go. */
export const keyOf = ({ ref, is }: { ref: string; is: AnyDifference['is'] }): string =>
  `${is === 'left over' ? 'goes' : 'comes'} ${ref}`

const indexes = new WeakMap<readonly AnyDifference[], ReadonlyMap<string, AnyDifference>>()

/** The same difference in another comparison, if it is still there. A list is looked through once. */
export function sameIn(differences: readonly AnyDifference[], one: AnyDifference): AnyDifference | undefined {
  const index = indexes.get(differences) ?? new Map(differences.toReversed().map((other) => [keyOf(other), other]))
  indexes.set(differences, index)
  return index.get(keyOf(one))
}

/**
 * Whether a difference is still there in what was read since. What was to go and stands there may count as somebody's by now:
 * then it is told no more, and has not gone either.
 */
export const isStillOpen = (difference: AnyDifference, seen: Comparison, inventory: Inventory): boolean =>
  sameIn(seen.differences, difference) !== undefined ||
  (difference.is === 'left over' && foundAt(inventory, difference.ref)?.id === difference.found.id)

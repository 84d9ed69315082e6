import type { AnyDifference } from '../../core/areas/index.js'

/** What tells differences apart from one comparison to the next: that an item is to come, or to go. */
export const keyOf = ({ ref, is }: AnyDifference): string => `${is === 'left over' ? 'goes' : 'comes'} ${ref}`

const indexes = new WeakMap<readonly AnyDifference[], ReadonlyMap<string, AnyDifference>>()

/** The same difference in another comparison, if it is still there. A list is looked through once. */
export function sameIn(differences: readonly AnyDifference[], one: AnyDifference): AnyDifference | undefined {
  const index = indexes.get(differences) ?? new Map(differences.toReversed().map((other) => [keyOf(other), other]))
  indexes.set(differences, index)
  return index.get(keyOf(one))
}

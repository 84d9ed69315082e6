import type { AnyDifference } from '../../core/areas/index.js'

/** What tells differences apart from one comparison to the next: that an item is to come, or to go. */
export const keyOf = ({ ref, is }: AnyDifference): string => `${is === 'left over' ? 'goes' : 'comes'} ${ref}`

/** The same difference in another comparison, if it is still there. */
export const sameIn = (differences: readonly AnyDifference[], one: AnyDifference): AnyDifference | undefined =>
  differences.find((other) => keyOf(other) === keyOf(one))

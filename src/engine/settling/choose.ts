import type { AnyDifference } from '../../core/areas/index.js'
import type { Comparison } from '../../core/compare.js'
import type { SettleOptions } from '../settle.js'
import { sameIn } from './same.js'

/** What {@link SettleOptions.choose} is shown. */
export interface Choice {
  comparison: Comparison
  /** The differences to choose from. */
  differences: readonly AnyDifference[]
  /** True in front of a first-run form: what the system ships is expected, not seen. */
  expected: boolean
  /** True for what was not shown before the first-run form was sent. */
  late: boolean
}
export type Chosen = readonly AnyDifference[] | undefined

/** Asks which differences to settle; where there is nothing to ask, or nobody, it is all of them. */
export const choose = async (options: SettleOptions, choice: Choice): Promise<Chosen> =>
  choice.differences.length === 0 || !options.choose ? choice.differences : options.choose(choice)

/** What the first-run form left is seen now: what was not shown before is asked about on its own. */
export async function chooseAgain(
  options: SettleOptions,
  comparison: Comparison,
  shown: Comparison,
  chosen: readonly AnyDifference[],
): Promise<readonly AnyDifference[]> {
  const { differences } = comparison
  const late = differences.filter((difference) => !sameIn(shown.differences, difference))
  const more = (await choose(options, { comparison, differences: late, expected: false, late: true })) ?? []
  return differences.filter((difference) =>
    late.includes(difference) ? more.includes(difference) : sameIn(chosen, difference),
  )
}

import type { AnyDifference } from '../../core/areas/index.js'
import type { Comparison } from '../../core/compare.js'
import type { RunOptions } from '../options.js'

/** What {@link SettleOptions.choose} is shown. */
export interface Choice {
  comparison: Comparison
  /** The differences to choose from. */
  differences: readonly AnyDifference[]
  /** True in front of a first-run form: what the system ships is expected, not seen. */
  expected: boolean
  /** True for what was not shown before the first-run form was sent. */
  late: boolean
  /** True for what lets more people see something that holds somebody's items: no general yes covers it. */
  opens?: boolean
}
/** Those to settle, of the ones that were shown; `undefined` ends the run. */
export type Chosen = readonly AnyDifference[] | undefined

/**
 * Chooses everything that is shown, removals too, but for what lets more people see somebody's items.
 * @example await settle(baseline, { logins, choose: chooseAll })
 */
export const chooseAll = ({ differences, opens }: Choice): Chosen => (opens ? [] : differences)

/** What {@link settle} takes beside a baseline. */
export interface SettleOptions extends RunOptions {
  /** Go on although the site is in use; then only what the baseline names is touched. */
  inUse?: boolean
  /**
   * Which differences to settle; where left out, all that remove nothing. `undefined` ends the run before its first write.
   * @see chooseAll
   */
  choose?: (choice: Choice) => Chosen | Promise<Chosen>
  /**
   * Chooses what to remove of the things that came in the site's first minutes and are not known to have shipped. All of them stay
   * if this is left out or gives `undefined`. Each thing is asked about once.
   */
  chooseEarly?: (choice: Choice) => Chosen | Promise<Chosen>
  /** Refs that may be opened to more people although they hold somebody's items; nothing else covers that. */
  open?: readonly string[]
  /** Whether to confirm at the end; so where left out. */
  confirm?: boolean
}

import type { Inventory } from '../areas/index.js'
import type { Baseline } from '../baseline/schema.js'
import type { CompareOptions } from './result.js'
import type { UnsettledUnits } from './units.js'

/** What weighing one planned item needs to know beside it. */
export interface Scales {
  baseline: Baseline
  options: CompareOptions
  /** The ref that an item will have, by the one it has. */
  toCome: ReadonlyMap<string, string>
  inventory: Inventory
  /** Refs of what is someone's under a planned name; filled as they are found. */
  conflicts: Set<string>
  /** Somebody else's things are on the site. */
  inUse: boolean
  /** Units that stay other than planned; filled as they are found. */
  units: UnsettledUnits
  /** Keys of areas with one item that the plan names. */
  planned: ReadonlySet<string>
}

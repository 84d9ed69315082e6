import type { AreaName } from '../core/areas/index.js'
import type { EyesOf, EyesRow } from '../core/looking.js'
import type { Eyes, LookedAt } from '../systems/eyes.js'

/** What an area wants seen through many eyes, and how that is done here. */
export interface Watched {
  area: AreaName
  plan: EyesOf<object>
  way: Eyes
  table: readonly EyesRow[]
  /** What the table is about, as far as it is on the site. */
  things: readonly LookedAt[]
}

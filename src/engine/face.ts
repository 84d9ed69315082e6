import { addressText, parseAddress } from '../core/address.js'
import type { Inventory } from '../core/areas/index.js'
import { onSystem } from '../systems/abilities.js'
import type { Run } from './run.js'

/**
 * Where a server in front leads visitors to a site that stays where it is reached, they are looked through there: only once
 * that is known to be this very site, as members sign in there.
 */
export function lookFromWhereVisitorsAre({ site, baseline }: Run, inventory: Inventory): void {
  const to = parseAddress(baseline.site.address)
  const area = onSystem(site.system, 'address')
  const led = inventory.address?.[0]?.item.address
  if (to && baseline.site.reachedAt !== undefined && area && !area.translate && led === addressText(to)) site.face = to
}

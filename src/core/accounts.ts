import { areaNames, areaOf, type AnyItem, type AreaName } from './areas/index.js'
import type { Baseline } from './baseline/schema.js'

/** An account as a baseline wants it. */
export interface PlannedAccount {
  area: AreaName
  ref: string
  username: string
  /** As it is planned. */
  item: AnyItem
  /** Made for it, or in the logins file already. */
  password: 'made' | 'stored'
}

/** The accounts that a baseline plans beside the owner's. */
export const plannedAccounts = (baseline: Baseline): PlannedAccount[] =>
  areaNames.flatMap((name) => {
    const area = areaOf(name)
    if (!area.account) return []
    return area.plan(baseline).map(({ item, ours }) => ({
      area: name,
      ref: area.ref(item),
      username: area.account?.(item) ?? '',
      item,
      password: ours ? 'stored' : 'made',
    }))
  })

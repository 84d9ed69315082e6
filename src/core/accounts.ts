import { anyItem, areaNames, areaOf, type AreaName } from './areas/index.js'
import type { PlannedAccount } from './area.js'
import type { Baseline } from './baseline/schema.js'

/** The accounts that a baseline plans beside the owner's, with the areas and refs they go by. */
export const plannedAccounts = (baseline: Baseline): (PlannedAccount & { area: AreaName; ref: string })[] =>
  areaNames.flatMap((name) => {
    const area = areaOf(name)
    return area.account
      ? area.plan(baseline).flatMap(({ item }) => {
          const account = area.account?.(anyItem(item), baseline)
          return account ? [{ ...account, area: name, ref: area.ref(anyItem(item)) }] : []
        })
      : []
  })

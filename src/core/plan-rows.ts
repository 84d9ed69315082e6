import type { AccessRow } from './access/rows.js'
import { areaNames, areaOf } from './areas/index.js'
import type { Baseline } from './baseline/schema.js'

/** What there is to see at a glance of a plan, area by area. */
export interface PlanRows {
  /** Who is to be able to do what where. */
  access?: AccessRow[]
}

/** The rows of each area that has some. */
export const planRows = (baseline: Baseline): PlanRows =>
  Object.fromEntries(
    areaNames.flatMap((name) => {
      const rows = areaOf(name).rows?.(baseline)
      return rows ? [[name, rows]] : []
    }),
  )

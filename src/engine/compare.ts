import type { SystemLine } from '../core/report/report.js'
import { planRows, type PlanRows } from '../core/plan-rows.js'
import type { Baseline } from '../core/baseline/schema.js'
import type { Comparison } from '../core/compare.js'
import { systemLine } from './report-of.js'
import type { RunOptions } from './options.js'
import { call } from './call.js'
import { keepingPages } from './unexpected-page.js'
import { Run } from './run.js'
import { takeStock, expectedStock } from './stock.js'
import { againstPlan } from './against-plan.js'

/** What a comparison found, and the system that it was found on. */
export interface Compared {
  comparison: Comparison
  system: SystemLine
  /** What there is to see at a glance of the plan, area by area: of `access`, who is to be able to do what where. */
  rows: PlanRows
  /** True in front of a first-run form: what the system ships is expected, not seen. */
  expected: boolean
}

/**
 * Shows what is not as planned. Signs in to read, and writes nothing.
 * @throws UnpackError where the site can't be reached or must not be signed in to
 * @example (await compareSite(baseline, { logins })).comparison.differences.map((one) => differenceText(one))
 */
export const compareSite = (baseline: Baseline, options: RunOptions): Promise<Compared> =>
  call(async (guard) => compareOn(await Run.begin(baseline, options, guard)))

async function compareOn(run: Run): Promise<Compared> {
  try {
    const rows = planRows(run.baseline)
    if (run.site.atFirstRun)
      return { comparison: againstPlan(run, expectedStock(run)), system: systemLine(run), rows, expected: true }
    const session = await run.logins.signIn()
    run.phase('read')
    const comparison = againstPlan(run, await keepingPages(run, () => takeStock(run, session)))
    await session.signOut()
    return { comparison, system: systemLine(run), rows, expected: false }
  } finally {
    await run.end()
  }
}

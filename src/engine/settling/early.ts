import type { AnyDifference } from '../../core/areas/index.js'
import type { Comparison } from '../../core/compare.js'
import { againstPlan } from '../against-plan.js'
import { callCaller } from '../caller.js'
import type { Run } from '../run.js'
import { staysAt } from '../stood.js'
import type { Stock } from '../stock.js'
import type { SettleOptions } from './choice.js'

/**
 * Asks about the things that came in the site's first minutes, each of them once.
 * @param comparison without their removal
 * @returns the comparison with the chosen removals among its differences, and these
 */
export async function askAboutEarly(
  run: Run,
  { chooseEarly }: SettleOptions,
  stock: Stock,
  comparison: Comparison,
): Promise<{ comparison: Comparison; chosen: readonly AnyDifference[] }> {
  const early = comparison.early.filter((ref) => run.state.written(staysAt(ref)) === undefined)
  if (!chooseEarly || early.length === 0) return { comparison, chosen: [] }
  const differences = againstPlan(run, stock, early).differences.filter(
    ({ is, ref }) => is === 'left over' && early.includes(ref),
  )
  const choice = { comparison, differences, expected: false, late: false }
  const chosen = await callCaller('chooseEarly', () => chooseEarly(choice))
  if (!chosen) return { comparison, chosen: [] }
  for (const { ref } of chosen) run.unwanted.add(ref)
  const stay = early.filter((ref) => !run.unwanted.has(ref))
  await run.state.remember(Object.fromEntries(stay.map((ref) => [staysAt(ref), 'asked'])))
  return { comparison: againstPlan(run, stock), chosen }
}

import { areaNames, areaOf, type AreaName } from './areas/index.js'
import type { Baseline } from './baseline/schema.js'
import type { Comparison } from './compare.js'
import type { Expectation, OwnLook } from './looking.js'

/**
 * What visitors should see once a baseline is settled, in the order of the areas.
 * @example expectations(comparison.settled, baseline).map(({ name }) => name)
 */
export const expectations = (
  settled: Comparison['settled'],
  baseline: Baseline,
): (Expectation<OwnLook> & { area: AreaName })[] =>
  areaNames.flatMap((area) =>
    (areaOf(area).expect?.(settled[area] ?? [], baseline, settled) ?? []).map((one) => ({ ...one, area })),
  )

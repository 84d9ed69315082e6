import { areaNames, areaOf } from './areas/index.js'
import type { Expectation } from './area.js'
import type { Baseline } from './baseline/schema.js'
import type { Comparison } from './compare.js'

/** What visitors should see once a baseline is settled, in the order of the areas. */
export const expectations = (settled: Comparison['settled'], baseline: Baseline): Expectation[] =>
  areaNames.flatMap((name) => areaOf(name).expect?.(settled[name] ?? [], baseline, settled) ?? [])

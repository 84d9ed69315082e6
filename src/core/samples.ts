import { areaNames, areaOf } from './areas/index.js'
import type { Baseline } from './baseline/schema.js'

/** The refs of what a baseline's sample content brings. */
export function sampleRefs(baseline: Baseline): ReadonlySet<string> {
  const { sample } = baseline
  if (!sample) return new Set()
  return new Set(
    areaNames.map(areaOf).flatMap((area) => (area.sampled?.(sample, baseline) ?? []).map((item) => area.ref(item))),
  )
}

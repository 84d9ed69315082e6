import pc from 'picocolors'
import { eyesIn, whoLooks } from '../../core/report/eyes.js'
import type { Check } from '../../core/report/report.js'
import { bad, good, heading, row } from './layout.js'

/** Checks by who looked; where one failed, what was seen. */
export function checkLines(checks: readonly Check[]): string[] {
  return eyesIn(checks).flatMap((as) => {
    const own = checks.filter((check) => check.as === as)
    if (own.length === 0) return []
    return [
      '',
      heading(`as ${whoLooks(as)}`),
      ...own.flatMap(({ name, ok, detail }) => [
        ...row(ok ? '✓' : '✗', name, 3, ok ? good : bad),
        ...(ok ? [] : row('', detail, 5, pc.dim)),
      ]),
    ]
  })
}

export const checkSummary = (checks: readonly Check[]): string => {
  const failed = checks.filter(({ ok }) => !ok).length
  return failed === 0 ? `${checks.length} checks, all passed.` : bad(`${failed} of ${checks.length} checks failed.`)
}

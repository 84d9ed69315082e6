import pc from 'picocolors'
import { eyesIn, whoLooks } from '../../core/report/eyes.js'
import { outcomeSigns, tally } from '../../core/report/outcome.js'
import type { Check } from '../../core/report/report.js'
import { count } from '../../core/text/count.js'
import { bad, good, heading, row } from './layout.js'

const paints = { passed: good, failed: bad, 'not looked at': pc.dim }

/** Checks by who looked; where one failed, what was seen. */
export function checkLines(checks: readonly Check[]): string[] {
  return eyesIn(checks).flatMap((as) => {
    const own = checks.filter((check) => check.as === as)
    if (own.length === 0) return []
    return [
      '',
      heading(`as ${whoLooks(as)}`),
      ...own.flatMap(({ name, outcome, detail }) => [
        ...row(outcomeSigns[outcome], name, 3, paints[outcome]),
        ...(outcome === 'passed' ? [] : row('', outcome === 'failed' ? detail : `not looked at: ${detail}`, 5, pc.dim)),
      ]),
    ]
  })
}

export const checkSummary = (checks: readonly Check[]): string => {
  const { passed, failed, notLookedAt } = tally(checks)
  const looked = passed + failed
  const rest = notLookedAt === 0 ? '' : ` ${notLookedAt} not looked at.`
  return failed === 0
    ? `${count(looked, 'check')}, all passed.${rest}`
    : bad(`${failed} of ${count(looked, 'check')} failed.${rest}`)
}

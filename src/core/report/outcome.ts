/** What came of a check: what was looked at passed or failed; what could not be looked at did neither, and the check says why. */
export const outcomes = ['passed', 'failed', 'not looked at'] as const
/** What came of a check. */
export type CheckOutcome = (typeof outcomes)[number]

/** The sign in front of a check, on screen and in reports. */
export const outcomeSigns: Readonly<Record<CheckOutcome, string>> = { passed: '✓', failed: '✗', 'not looked at': '–' }

/** The outcome of what was looked at. */
export const lookedAt = (ok: boolean): CheckOutcome => (ok ? 'passed' : 'failed')

/** How many of each. */
export interface Tally {
  passed: number
  failed: number
  notLookedAt: number
}

/**
 * Counts checks by what came of them.
 * @example tally([{ outcome: 'passed' }, { outcome: 'failed' }]) // { passed: 1, failed: 1, notLookedAt: 0 }
 */
export function tally(checks: readonly { outcome: CheckOutcome }[]): Tally {
  const count = (one: CheckOutcome) => checks.filter(({ outcome }) => outcome === one).length
  return { passed: count('passed'), failed: count('failed'), notLookedAt: count('not looked at') }
}

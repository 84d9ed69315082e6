import type { Standing, Verdict } from './findings.js'

/** A standing and why: settling may go on only where nothing is, or only what shipped. */
export const verdict = (standing: Standing, ...reasons: string[]): Verdict => ({
  standing,
  safe: standing === 'first-run' || standing === 'fresh',
  reasons,
})

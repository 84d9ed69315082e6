import type { Check } from './report.js'

/** Everybody who looked: the visitor first, then members, the owner last. */
export function eyesIn(checks: readonly Pick<Check, 'as'>[]): string[] {
  const all = [...new Set(checks.map(({ as }) => as))]
  const place = (as: string) => (as === 'visitor' ? 0 : as === 'owner' ? 2 : 1)
  return all.sort((a, b) => place(a) - place(b))
}

/** `the visitor`, `the owner`, `member kelp`. */
export const whoLooks = (as: string): string => (as === 'visitor' || as === 'owner' ? `the ${as}` : as)

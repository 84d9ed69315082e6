/** The checks that failed, with why. */
export const failed = (checks: readonly { name: string; outcome: string; detail: string }[]): string[] =>
  checks.filter(({ outcome }) => outcome === 'failed').map(({ name, detail }) => `${name}: ${detail}`)

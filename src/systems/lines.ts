/** Whether Unpack is proven with a version, and the versions it was tried with where this is none of them. */
export interface Proven {
  proven: boolean
  tried?: string
}

const lineOf = (version: string): string => version.replace(/\..*/, '')

/**
 * Judges a version. A line is the first number: whatever is of a line that was tried goes on, with a remark where it is another
 * version.
 * @param version as the system tells it: `7.1.4`
 * @param tried versions that were tried, as exactly as they matter: `['6.1', '7.1']`
 * @example provenIn('7.2', ['6.1', '7.1']) // { proven: true, tried: '7.1' }
 */
export function provenIn(version: string, tried: readonly string[]): Proven {
  const isTried = tried.some((one) => `${version}.`.startsWith(`${one}.`))
  if (isTried) return { proven: true }
  const ofLine = tried.filter((one) => lineOf(one) === lineOf(version))
  return { proven: ofLine.length > 0, tried: (ofLine.length > 0 ? ofLine : tried).join(', ') }
}

/** Whether Unpack is proven with the line of a version, and the versions that were tested if this is none of them. */
export interface Proven {
  proven: boolean
  tried?: string
}

/** The line of a version: its first number. */
export const lineOf = (version: string): string => version.replace(/\..*/, '')

/**
 * Judges a version by its line, the first number: every version of a tested line is proven.
 * @param version in the system's own form: `7.1.4`
 * @param tried the versions that were tested, without the numbers that don't matter: `['6.1', '7.1']`
 * @example provenIn('7.2', ['6.1', '7.1']) // { proven: true, tried: '7.1' }
 */
export function provenIn(version: string, tried: readonly string[]): Proven {
  const isTried = tried.some((one) => `${version}.`.startsWith(`${one}.`))
  if (isTried) return { proven: true }
  const ofLine = tried.filter((one) => lineOf(one) === lineOf(version))
  return { proven: ofLine.length > 0, tried: (ofLine.length > 0 ? ofLine : tried).join(', ') }
}

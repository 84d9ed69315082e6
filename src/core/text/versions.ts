import { compareVersions, validate } from 'compare-versions'

/** As semantic versions are written: three numbers at least, and what comes before a release behind a hyphen. */
const semantic = (version: string): string =>
  version.replace(/^v?(\d+(?:\.\d+)*)[-.]?(?=[a-z]|$)/i, (_all, numbers: string) => {
    const parts = numbers.split('.')
    const padded = [...parts, ...Array.from({ length: Math.max(0, 3 - parts.length) }, () => '0')].join('.')
    return /[a-z]/i.test(version.slice(numbers.length)) ? `${padded}-` : padded
  })

/**
 * Whether a version is the same as another or newer: `1.10` is newer than `1.9`, and `1.0` than `1.0-rc1`. No version is older
 * than any. One that is written like no other is compared number by number.
 */
export function notOlder(version: string, than: string): boolean {
  if (than === '') return true
  const [one, two] = [semantic(version), semantic(than)]
  if (validate(one) && validate(two)) return compareVersions(one, two) >= 0
  const parts = (text: string) => text.split(/[^0-9]+/).map(Number)
  const [own, other] = [parts(version), parts(than)]
  for (let index = 0; index < Math.max(own.length, other.length); index += 1) {
    const difference = (own[index] ?? 0) - (other[index] ?? 0)
    if (difference !== 0) return difference > 0
  }
  return true
}

/** A decimal as whole numbers: `2.40` is 240 parts of which 10² make one. Sums of money never meet a float. */
interface Decimal {
  parts: bigint
  digits: number
}

const written = /^(\d{1,12})(?:\.(\d{1,6}))?$/

/** Whether a text is a decimal without sign, as prices and rates are written: `2.40`. */
export const isDecimal = (text: string): boolean => written.test(text)

function read(text: string): Decimal {
  const [, whole = '0', rest = ''] = written.exec(text) ?? []
  return { parts: BigInt(whole + rest), digits: rest.length }
}

const scaled = ({ parts, digits }: Decimal, to: number): bigint => parts * 10n ** BigInt(to - digits)

function text(parts: bigint, digits: number): string {
  const all = parts.toString().padStart(digits + 1, '0')
  return digits === 0 ? all : `${all.slice(0, -digits)}.${all.slice(-digits)}`
}

/** A quotient to the nearest whole; a half goes up, as shops do it. */
const nearest = (above: bigint, below: bigint): bigint => (2n * above + below) / (2n * below)

/** The decimals that a decimal needs: `2.40` needs one. */
export const digitsNeeded = (decimal: string): number => (/\.(\d*?)0*$/.exec(decimal)?.[1] ?? '').length

/**
 * Whether two decimals are the same number, however many zeros end them.
 * @example sameDecimal('2.4', '2.40') // true
 */
export function sameDecimal(a: string, b: string): boolean {
  if (!isDecimal(a) || !isDecimal(b)) return a === b
  const [one, other] = [read(a), read(b)]
  const most = Math.max(one.digits, other.digits)
  return scaled(one, most) === scaled(other, most)
}

/** -1, 0 or 1: how a decimal compares with another. */
export function compareDecimals(a: string, b: string): number {
  const [one, other] = [read(a), read(b)]
  const most = Math.max(one.digits, other.digits)
  const difference = scaled(one, most) - scaled(other, most)
  return difference < 0n ? -1 : difference > 0n ? 1 : 0
}

/**
 * The sum of decimals, exact.
 * @example sumOf(['2.40', '3.5']) // '5.90'
 */
export function sumOf(all: readonly string[]): string {
  const decimals = all.map(read)
  const most = Math.max(0, ...decimals.map(({ digits }) => digits))
  return text(
    decimals.reduce((sum, one) => sum + scaled(one, most), 0n),
    most,
  )
}

/**
 * A decimal so many times, exact.
 * @example timesOf('2.40', 3) // '7.20'
 */
export function timesOf(decimal: string, count: number): string {
  const { parts, digits } = read(decimal)
  return text(parts * BigInt(count), digits)
}

/**
 * A decimal with so many digits behind its point; a half goes up.
 * @example roundedTo('0.125', 2) // '0.13'
 */
export function roundedTo(decimal: string, digits: number): string {
  const own = read(decimal)
  if (own.digits <= digits) return text(scaled(own, digits), digits)
  return text(nearest(own.parts, 10n ** BigInt(own.digits - digits)), digits)
}

/**
 * The tax that is in a sum, by a rate in per cent; a half goes up.
 * @example taxIn('40.27', '23', 2) // '7.53'
 */
export function taxIn(gross: string, rate: string, digits: number): string {
  const [sum, percent] = [read(gross), read(rate)]
  const hundred = 100n * 10n ** BigInt(percent.digits)
  const above = sum.parts * percent.parts * 10n ** BigInt(digits)
  return text(nearest(above, (hundred + percent.parts) * 10n ** BigInt(sum.digits)), digits)
}

/**
 * The tax that comes on top of a sum, by a rate in per cent; a half goes up.
 * @example taxOn('2.00', '20', 2) // '0.40'
 */
export function taxOn(net: string, rate: string, digits: number): string {
  const [sum, percent] = [read(net), read(rate)]
  const below = 100n * 10n ** BigInt(percent.digits + sum.digits)
  return text(nearest(sum.parts * percent.parts * 10n ** BigInt(digits), below), digits)
}

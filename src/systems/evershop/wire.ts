import { roundedTo } from '../../core/money/decimal.js'

/* The wire holds numbers; everywhere else a sum is a decimal as text. */

/** A number of the wire as a decimal: four digits are what the system keeps. */
export const decimalOf = (number: number): string => {
  const four = roundedTo(number.toFixed(4), 4)
  return four.replace(/(\.\d\d\d*?)0+$/, '$1')
}

/** A decimal as the wire wants it, at the last moment. */
export const numberOf = (decimal: string): number => Number(decimal)

/** What looks like a tag in a name: the system shows it to visitors as signs that stand for signs. */
export const tagged = (value: unknown): string | undefined =>
  typeof value === 'string' && /<[/!]?[a-z]/i.test(value)
    ? 'visitors would see what looks like a tag garbled on this system'
    : undefined

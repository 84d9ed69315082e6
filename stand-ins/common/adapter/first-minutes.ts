import type { Row } from './session.js'

/**
 * Whether an item was made together with its site.
 * @param born when the site was made: a date and time in the form of ISO 8601
 * @param within how many milliseconds after that still count; a set-up writes everything at one moment
 */
export const atBirth = ({ data }: Row, born = '', within = 0): boolean =>
  Math.abs(Date.parse(data.made ?? '') - Date.parse(born)) <= within

/** When the first account was made. */
export const firstAccountMade = (accounts: readonly Row[]): string | undefined =>
  accounts.toSorted((a, b) => a.id - b.id)[0]?.data.made

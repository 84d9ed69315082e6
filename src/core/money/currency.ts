const known = new Set(Intl.supportedValuesOf('currency'))

/** Whether a text is a currency of ISO 4217. */
export const isCurrency = (code: string): boolean => known.has(code)

/**
 * The digits behind the point in which a currency counts (ISO 4217).
 * @example digitsOf('JPY') // 0
 */
export const digitsOf = (currency: string): number =>
  isCurrency(currency)
    ? (new Intl.NumberFormat('en', { style: 'currency', currency }).resolvedOptions().maximumFractionDigits ?? 2)
    : 2

const regions = new Intl.DisplayNames('en', { type: 'region', fallback: 'none' })
/** Codes of Unicode's list of regions that are no country of ISO 3166-1. */
const noCountries = new Set(['EU', 'EZ', 'UN', 'QO', 'XA', 'XB', 'XK', 'ZZ', 'AC', 'CP', 'CQ', 'DG', 'EA', 'IC', 'TA'])

/** Whether a text is a country's code of ISO 3166-1, as in `GB`. */
export const isCountry = (code: string): boolean =>
  /^[A-Z]{2}$/.test(code) &&
  !noCountries.has(code) &&
  regions.of(code) !== undefined &&
  // what has gone leads to what has come instead
  new Intl.Locale(`und-${code}`).region === code

/**
 * What a country is called in English.
 * @example countryName('IE') // 'Ireland'
 */
export const countryName = (code: string): string => (isCountry(code) ? (regions.of(code) ?? code) : code)

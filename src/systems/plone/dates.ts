/* The system writes dates with the letters of strftime; core has CLDR patterns (UTS 35). */
const letters: Readonly<Record<string, string>> = {
  d: '%-d',
  dd: '%d',
  M: '%-m',
  MM: '%m',
  MMM: '%b',
  MMMM: '%B',
  y: '%Y',
  yy: '%y',
  EEE: '%a',
  EEEE: '%A',
  HH: '%H',
  H: '%-H',
  hh: '%I',
  h: '%-I',
  mm: '%M',
  a: '%p',
  aaa: '%P',
}
const fields = new Map(Object.entries(letters).map(([field, letter]) => [letter, field]))

/** A CLDR pattern in the system's letters: `d MMMM y` → `%-d %B %Y`. */
export const systemDate = (pattern: string): string =>
  pattern.replace(/'([^']*)'|([A-Za-z])\2*|%/g, (part, literal: string | undefined) =>
    part === '%' ? '%%' : literal === undefined ? (letters[part] ?? part) : literal === '' ? "'" : literal,
  )

/** The system's letters as a CLDR pattern; one that has none stands there in quotes. */
export const cldrDate = (format: string): string =>
  format.replace(/%-?[A-Za-z]|%%|[A-Za-z]+/g, (part) =>
    part === '%%' ? '%' : (fields.get(part) ?? `'${part.replaceAll("'", "''")}'`),
  )

/** Why dates can't be written so: names of months and days are English ones here, whatever the site's language. */
export const whyNotSo = (pattern: string | undefined, language = 'en'): string | undefined =>
  pattern !== undefined && /MMM|EEE/.test(pattern) && !/^en\b/i.test(language)
    ? 'names of months and days are English ones on this system as soon as the form of dates is set; numbers will do: 5.3.2026'
    : undefined

/* The system writes dates with the letters of PHP's date(); core has CLDR patterns (UTS 35). */
const letters: Readonly<Record<string, string>> = {
  d: 'j',
  dd: 'd',
  M: 'n',
  MM: 'm',
  MMM: 'M',
  MMMM: 'F',
  y: 'Y',
  yy: 'y',
  EEE: 'D',
  EEEE: 'l',
  HH: 'H',
  H: 'G',
  hh: 'h',
  h: 'g',
  mm: 'i',
  a: 'A',
  aaa: 'a',
}
const fields = new Map(Object.entries(letters).map(([field, letter]) => [letter, field]))

/** A CLDR pattern in the system's letters: `d MMMM y` → `j F Y`. */
export const phpDate = (pattern: string): string =>
  pattern.replace(/'([^']*)'|([A-Za-z])\2*|[^A-Za-z']+/g, (part, literal: string | undefined) => {
    if (literal !== undefined) return literal === '' ? "'" : literal.replace(/[A-Za-z]/g, '\\$&')
    return letters[part] ?? part
  })

/** The system's letters as a CLDR pattern; a letter that has none stands there in quotes. */
export const cldrDate = (format: string): string =>
  format
    .replace(/\\(.)|([A-Za-z])|'/g, (part, literal: string | undefined, letter: string | undefined) =>
      part === "'" ? "''" : literal === undefined ? (fields.get(letter ?? '') ?? `'?${letter}'`) : `'${literal}'`,
    )
    .replace(/''(?=\w)|(?<=\w)''/g, '')

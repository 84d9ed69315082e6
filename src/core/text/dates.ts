/*
 * Dates and times by example: the owner writes the 5th of March 2026, 14:07, the way they want it, and gets a CLDR pattern
 * (UTS 35) for it. What can't be told apart is refused with a reason.
 */
/** How a site writes dates, or what an example leaves unclear. */
export type DatePattern = { pattern: string } | { unclear: string }

const EXAMPLE = new Date(2026, 2, 5)
const numbers: Record<'date' | 'time', Readonly<Record<string, string>>> = {
  date: { 2026: 'y', 26: 'yy', '05': 'dd', 5: 'd', '03': 'MM', 3: 'M' },
  time: { 14: 'HH', '02': 'hh', 2: 'h', '07': 'mm' },
}

/** Names of the month and the day of the week, longest first, each with its field. */
function names(language: string): [string, string][] {
  const part = (locale: string, options: Intl.DateTimeFormatOptions, type: string) =>
    new Intl.DateTimeFormat(locale, options).formatToParts(EXAMPLE).find((one) => one.type === type)?.value ?? ''
  const of = (locale: string): [string, string][] => [
    [part(locale, { day: 'numeric', month: 'long' }, 'month'), 'MMMM'],
    [part(locale, { month: 'long' }, 'month'), 'MMMM'],
    [part(locale, { weekday: 'long' }, 'weekday'), 'EEEE'],
    [part(locale, { day: 'numeric', month: 'short' }, 'month').replace(/\.$/, ''), 'MMM'],
    [part(locale, { weekday: 'short' }, 'weekday').replace(/\.$/, ''), 'EEE'],
  ]
  return [...of(language), ...of('en')]
    .filter(([name]) => /\p{L}{2}/u.test(name))
    .sort(([a], [b]) => b.length - a.length)
}

/**
 * The CLDR pattern of a date or time written by example.
 * @param example the 5th of March 2026, or 14:07, as the owner wants to see it
 * @param language the site's language, for names of months and days
 * @example datePattern('5 March 2026', 'date', 'en') // { pattern: 'd MMMM y' }
 * @see https://unicode.org/reports/tr35/tr35-dates.html#Date_Field_Symbol_Table
 */
export function datePattern(example: string, kind: 'date' | 'time', language: string): DatePattern {
  const known = kind === 'date' ? names(language) : []
  const fields: string[] = []
  let pattern = ''
  let rest = example
  while (rest !== '') {
    const name = known.find(([text]) => rest.toLowerCase().startsWith(text.toLowerCase()))
    const digits = /^\d+/.exec(rest)?.[0]
    const half = kind === 'time' ? /^(?:AM|PM|am|pm)(?![a-z])/.exec(rest)?.[0] : undefined
    const word = /^\p{L}+/u.exec(rest)?.[0]
    if (name ?? half ?? digits) {
      const text = name?.[0] ?? half ?? digits ?? ''
      const field = name?.[1] ?? (half ? (half === half.toUpperCase() ? 'a' : 'aaa') : numbers[kind][text])
      if (field === undefined)
        return {
          unclear:
            kind === 'date' ? 'it has a number that is none of 5, 3 and 2026' : 'it has a number that is not of 14:07',
        }
      if (fields.some((one) => one[0] === field[0])) return { unclear: 'the same part stands in it twice' }
      fields.push(field)
      pattern += field
      rest = rest.slice(text.length)
    } else if (word !== undefined) {
      const plain = /^[a-z]+$/i.test(word)
      if (plain && (word.length > 3 || (kind === 'date' && /\d$/.test(example.slice(0, -rest.length)))))
        return { unclear: 'it has a word that is no month or day of the week in the language of the site' }
      pattern += plain ? `'${word}'` : word
      rest = rest.slice(word.length)
    } else {
      pattern += rest.startsWith("'") ? "''" : rest.charAt(0)
      rest = rest.slice(1)
    }
  }
  const has = (letter: string) => fields.some((field) => field.startsWith(letter))
  if (kind === 'date' && !(has('d') && has('M'))) return { unclear: 'it lacks the day or the month' }
  if (kind === 'time' && has('h') && !has('a')) return { unclear: 'it could be night or afternoon: 2:07 PM or 14:07?' }
  if (kind === 'time' && has('H') && has('a')) return { unclear: '14:07 needs no AM or PM' }
  return { pattern }
}

/** The 5th of March 2026, 14:07, written after a CLDR pattern: what an owner reads instead of the pattern. */
export function dateExample(pattern: string, language = 'en'): string {
  const known: Readonly<Record<string, string>> = {
    ...Object.fromEntries(names(language).map(([name, field]) => [field, name])),
    ...Object.fromEntries(
      Object.values(numbers).flatMap((some) => Object.entries(some).map(([text, field]) => [field, text])),
    ),
    H: '14',
    a: 'PM',
    aaa: 'pm',
  }
  return pattern.replace(/'((?:[^']|'')*)'|([a-zA-Z])\2*/g, (piece, quoted: string | undefined) =>
    quoted === undefined ? (known[piece] ?? piece) : quoted === '' ? "'" : quoted.replaceAll("''", "'"),
  )
}

/**
 * A moment as it stands in the file (`2026-03-05T14:07`), in words of a language; what is no moment stays as it is.
 * @example momentText('2026-03-05T14:07', 'de') // '5. März 2026 um 14:07'
 */
export function momentText(moment: string, language = 'en'): string {
  const at = new Date(`${moment}Z`)
  if (!/^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}$/.test(moment) || Number.isNaN(at.getTime())) return moment
  return new Intl.DateTimeFormat(language, { dateStyle: 'long', timeStyle: 'short', timeZone: 'UTC' }).format(at)
}

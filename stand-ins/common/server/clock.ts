/** What a blog's own clock shows: `2026-03-05T14:07`. */
export function clock(timezone: string, now = new Date()): string {
  const parts = new Intl.DateTimeFormat('en-CA', {
    timeZone: timezone,
    year: 'numeric',
    month: '2-digit',
    day: '2-digit',
    hour: '2-digit',
    minute: '2-digit',
    hourCycle: 'h23',
  }).formatToParts(now)
  const of = (type: string) => parts.find((part) => part.type === type)?.value ?? ''
  return `${of('year')}-${of('month')}-${of('day')}T${of('hour')}:${of('minute')}`
}

/** A moment of the blog's own clock, written after a CLDR pattern. */
export function written(moment: string, pattern: string, language: string): string {
  const date = new Date(`${moment}:00Z`)
  const named = (options: Intl.DateTimeFormatOptions, type: string) =>
    new Intl.DateTimeFormat(language, { ...options, timeZone: 'UTC' })
      .formatToParts(date)
      .find((part) => part.type === type)?.value ?? ''
  const two = (number: number) => String(number).padStart(2, '0')
  const hour = date.getUTCHours()
  const half = hour < 12 ? 'AM' : 'PM'
  const fields: Record<string, () => string> = {
    y: () => String(date.getUTCFullYear()),
    yy: () => two(date.getUTCFullYear() % 100),
    M: () => String(date.getUTCMonth() + 1),
    MM: () => two(date.getUTCMonth() + 1),
    MMM: () => named({ day: 'numeric', month: 'short' }, 'month'),
    MMMM: () => named({ day: 'numeric', month: 'long' }, 'month'),
    d: () => String(date.getUTCDate()),
    dd: () => two(date.getUTCDate()),
    EEE: () => named({ weekday: 'short' }, 'weekday'),
    EEEE: () => named({ weekday: 'long' }, 'weekday'),
    H: () => String(hour),
    HH: () => two(hour),
    h: () => String(hour % 12 || 12),
    hh: () => two(hour % 12 || 12),
    mm: () => two(date.getUTCMinutes()),
    a: () => half,
    aaa: () => half.toLowerCase(),
  }
  return pattern.replace(/'((?:[^']|'')*)'|([a-zA-Z])\2*/g, (piece, quoted: string | undefined) =>
    quoted === undefined ? (fields[piece]?.() ?? piece) : quoted === '' ? "'" : quoted.replaceAll("''", "'"),
  )
}

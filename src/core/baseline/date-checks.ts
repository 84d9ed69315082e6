import { datePattern } from '../text/dates.js'
import type { AddMistake } from './mistake.js'
import { isGroup, type PlainGroup } from './plain-values.js'

/** Dates and times that are given by example have to be clear. */
export function dateMistakes({ site }: PlainGroup, add: AddMistake): void {
  const dates = isGroup(site) && isGroup(site.dates) ? site.dates : {}
  const language = isGroup(site) && typeof site.language === 'string' ? site.language : 'en'
  for (const kind of ['date', 'time'] as const) {
    const example = dates[kind]
    const read = typeof example === 'string' ? safePattern(example, kind, language) : undefined
    if (read && 'unclear' in read)
      add(
        'wrong-value',
        ['site', 'dates', kind],
        `this can't be told apart: ${read.unclear}`,
        kind === 'date' ? 'the 5th of March 2026, the way you want dates' : '14:07, the way you want times',
      )
  }
}

/** A language that is none has a mistake of its own. */
function safePattern(example: string, kind: 'date' | 'time', language: string) {
  try {
    return datePattern(example, kind, language)
  } catch {
    return undefined
  }
}

import { plainOf, type Held } from '../core/held.js'
import type { ErrorCode } from '../core/errors.js'
import { areaOf, type AnyDifference } from '../core/areas/index.js'
import type { Value } from '../core/area.js'
import { nothingYet } from '../core/report/blank.js'
import type { DifferenceLine, Report, SystemLine } from '../core/report/report.js'
import type { Names } from '../core/naming.js'
import { textBlocks } from '../core/text/plain.js'
import { wordChanges, type WordChange } from '../core/text/word-changes.js'
import { given, textOf } from '../core/value.js'
import { calledIn, changes, differenceText, fieldText } from '../core/words.js'
import type { Run } from './run.js'

/** A report with nothing in it yet. */
export const blankReport = (run: Run, of: Report['of'], started: Date): Report => ({
  report: 1,
  of,
  title: run.baseline.site.title ?? '',
  ...placesOf(run),
  system: systemLine(run),
  started: started.toISOString(),
  ended: started.toISOString(),
  stood: { standing: run.site.surveyed.standing, reasons: run.site.surveyed.reasons },
  ...nothingYet,
})

/** Where the site is, and where its owner signs in: the dashboard's first screen asks for that. */
export const placesOf = ({ site }: Pick<Run, 'site'>): { address: string; dashboard: string } => ({
  address: site.home,
  dashboard: new URL(site.system.screens[0]?.place ?? '', site.home).href,
})

/** The system as documents name it. */
export function systemLine({ site: { surveyed } }: Pick<Run, 'site'>): SystemLine {
  const { system } = surveyed.findings
  return system ? { id: system.id, name: system.name, version: system.version, proven: system.proven ?? null } : null
}

const plain = (pairs: { key: string; value: Value }[]): Record<string, Value> =>
  Object.fromEntries(pairs.map(({ key, value }) => [key, value]))

/** What stood there before, field by field; null where nothing did. */
export function foundIn(difference: AnyDifference): Record<string, Value> | null {
  if (difference.is === 'missing') return null
  if (difference.is === 'left over') return given(difference.found.item)
  return plain(changes(difference).map(({ key, found }) => ({ key, value: plainOf(found) })))
}

/** What is wanted, field by field; null where nothing is. */
export function wantedIn(difference: AnyDifference): Record<string, Value> | null {
  return difference.is === 'left over'
    ? null
    : plain(changes(difference).map(({ key, wanted }) => ({ key, value: plainOf(wanted) })))
}

/** A difference as documents have it. */
export const differenceLine = (difference: AnyDifference, names: Names): DifferenceLine => ({
  area: difference.area,
  ref: difference.ref,
  is: difference.is,
  found: foundIn(difference) as DifferenceLine['found'],
  wanted: wantedIn(difference) as DifferenceLine['wanted'],
  text: differenceText(difference, names),
})

/** What became of a difference; for one that failed, the code and the words of why. */
export interface Fate {
  outcome: 'settled' | 'failed' | 'not chosen'
  code?: ErrorCode
  text?: string
  /** The file in the record that holds what was removed or taken over. */
  copy?: string
}

/** What became of a text, word by word; nothing where it is new. */
function wordsOf(found: Held, wanted: Held): { words?: WordChange[] } {
  if (found.is !== 'value' || wanted.is !== 'value') return {}
  const plainText = (value: Value) => textBlocks(textOf(value)).join(' ')
  const words = wordChanges(plainText(found.value), plainText(wanted.value))
  return words ? { words } : {}
}

/** The differences of a run as its report tells them. */
export function accountOf(
  differences: readonly AnyDifference[],
  fateOf: (difference: AnyDifference) => Fate,
  names: Names,
): Pick<Report, 'changed' | 'removed'> {
  const changed: Report['changed'] = []
  const removed: Report['removed'] = []
  for (const difference of differences) {
    const area = areaOf(difference.area)
    const { outcome, text: why, copy } = fateOf(difference)
    if (difference.is === 'left over')
      removed.push({
        ref: difference.ref,
        what: calledIn(difference),
        why: why ?? difference.because,
        outcome,
        ...(copy !== undefined && { copy }),
      })
    else {
      const fields = changes(difference).map(({ key, found, wanted }) => ({
        name: area.say?.(key) ?? key,
        found: fieldText(difference.area, key, found, names),
        wanted: fieldText(difference.area, key, wanted, names),
        ...(area.texts?.includes(key) && wordsOf(found, wanted)),
      }))
      changed.push({
        area: difference.area,
        ref: difference.ref,
        what: calledIn(difference),
        is: difference.is,
        fields,
        outcome,
        ...(why !== undefined && { why }),
      })
    }
  }
  return { changed, removed }
}

import { plainOf } from '../core/held.js'
import { anyItem, areaOf, type AnyDifference } from '../core/areas/index.js'
import type { Value } from '../core/area.js'
import { nothingYet } from '../core/report/blank.js'
import type { DifferenceLine, Report, SystemLine } from '../core/report/report.js'
import { given } from '../core/value.js'
import { changes, differenceText, valueText } from '../core/words.js'
import type { Run } from './run.js'

/** A report with nothing in it yet. */
export const blankReport = (run: Run, of: Report['of'], started: Date): Report => ({
  report: 1,
  of,
  address: run.site.home,
  system: systemLine(run),
  started: started.toISOString(),
  ended: started.toISOString(),
  stood: { standing: run.site.surveyed.standing, reasons: run.site.surveyed.reasons },
  ...nothingYet,
})

/** The system as documents name it. */
export function systemLine({ site: { surveyed } }: Pick<Run, 'site'>): SystemLine {
  const { system } = surveyed.findings
  return system ? { id: system.id, version: system.version, proven: system.proven ?? null } : null
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
export const differenceLine = (difference: AnyDifference): DifferenceLine => ({
  area: difference.area,
  ref: difference.ref,
  is: difference.is,
  found: foundIn(difference) as DifferenceLine['found'],
  wanted: wantedIn(difference) as DifferenceLine['wanted'],
  text: differenceText(difference),
})

/** What became of a difference; for one that failed, the code and the words of why. */
export interface Fate {
  outcome: 'settled' | 'failed' | 'not chosen'
  code?: string
  text?: string
  /** The file in the record that holds what was removed or taken over. */
  copy?: string
}

/** The differences of a run as its report tells them. */
export function accountOf(
  differences: readonly AnyDifference[],
  fateOf: (difference: AnyDifference) => Fate,
): Pick<Report, 'changed' | 'removed'> {
  const changed: Report['changed'] = []
  const removed: Report['removed'] = []
  for (const difference of differences) {
    const area = areaOf(difference.area)
    const { outcome, text: why, copy } = fateOf(difference)
    if (difference.is === 'left over')
      removed.push({
        ref: difference.ref,
        what: area.call(anyItem(difference.found.item)),
        why: why ?? difference.because,
        outcome,
        ...(copy !== undefined && { copy }),
      })
    else {
      const fields = changes(difference).map(({ key, found, wanted }) => ({
        name: area.say?.(key) ?? key,
        found: valueText(key, found, area.show),
        wanted: valueText(key, wanted, area.show),
      }))
      changed.push({
        area: difference.area,
        ref: difference.ref,
        what: area.call(
          difference.is === 'different'
            ? { ...anyItem(difference.found.item), ...anyItem(difference.wanted) }
            : anyItem(difference.wanted),
        ),
        is: difference.is,
        fields,
        outcome,
        ...(why !== undefined && { why }),
      })
    }
  }
  return { changed, removed }
}

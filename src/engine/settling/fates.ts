import type { AnyDifference } from '../../core/areas/index.js'
import type { Comparison } from '../../core/compare.js'
import { UnpackError } from '../../core/errors.js'
import type { Fate } from '../report-of.js'
import type { Why } from '../why.js'
import type { ReadBack } from './read-back.js'
import { isStillOpen, keyOf, sameIn } from './same.js'

/** What became of each difference: what the first-run form settled, what was chosen and is settled or not, and the rest. */
export function fates(
  all: readonly AnyDifference[],
  chosen: readonly AnyDifference[],
  seen: Comparison,
  { left, stands, why, copies }: ReadBack,
): (difference: AnyDifference) => Fate {
  const reasonOf = (difference: AnyDifference): Why => {
    const holder =
      difference.is === 'left over' && chosen.find(({ ref, is }) => is === 'left over' && ref === difference.fallsWith)
    // what falls with something that stayed was not asked for by itself
    return why.get(difference.ref) ?? (holder ? reasonOf(holder) : notTaken(difference.ref))
  }
  const fate = (difference: AnyDifference): Fate => {
    if (!sameIn(seen.differences, difference)) return { outcome: 'settled' }
    if (!sameIn(chosen, difference)) return { outcome: 'not chosen' }
    const copy = copies.get(difference.ref)
    if (!isStillOpen(difference, left, stands)) return { outcome: 'settled', copy }
    return { outcome: 'failed', ...reasonOf(difference), copy }
  }
  const known = new Map(all.map((difference) => [keyOf(difference), fate(difference)]))
  return (difference) => known.get(keyOf(difference)) ?? { outcome: 'not chosen' }
}

const notTaken = (ref: string) => ({ code: 'not-taken', text: UnpackError.of('not-taken', { what: ref }).message })

import { anyItem, type AnyDifference } from '../../core/areas/index.js'
import type { Comparison, Remark } from '../../core/compare.js'
import { inOrder } from '../../core/order.js'
import { sameIn } from './same.js'

/** What was shown, and what was seen after the first-run form, as one account: an item's fields of both stand together. */
export function merged(shown: Comparison, seen: Comparison): AnyDifference[] {
  if (shown === seen) return seen.differences
  // what was expected to ship and is not there needed no removal
  const only = shown.differences.filter(
    (difference) => difference.is !== 'left over' && !sameIn(seen.differences, difference),
  )
  const both = seen.differences.map((difference) => {
    const before = sameIn(shown.differences, difference)
    return before ? withFieldsOf(before, difference) : difference
  })
  return inOrder([...only, ...both])
}

/** A difference, with the fields of an earlier one that are settled by now. */
function withFieldsOf(before: AnyDifference, now: AnyDifference): AnyDifference {
  if (before.is === 'left over' || now.is !== 'different') return now
  const fields = before.is === 'different' ? before.fields : Object.keys(before.wanted)
  const done = fields.filter(
    (key) => anyItem(before.wanted)[key] !== undefined && !now.fields.some((field) => field === key),
  )
  const was = Object.fromEntries(
    done.map((key) => [key, before.is === 'different' ? anyItem(before.found.item)[key] : '']),
  )
  const found = { ...now.found, item: { ...now.found.item, ...was } }
  return { ...now, fields: [...done, ...now.fields], found } as AnyDifference
}

/** The notes of several comparisons, each once. */
export function notesOf(...comparisons: Comparison[]): Remark[] {
  const all = comparisons.flatMap(({ notes }) => notes)
  return all.filter(({ ref, text }, index) => all.findIndex((note) => note.ref === ref && note.text === text) === index)
}

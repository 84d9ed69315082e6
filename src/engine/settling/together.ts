import { anyItem, type AnyDifference } from '../../core/areas/index.js'
import type { Comparison, Remark } from '../../core/compare.js'
import { heldIn, nothing } from '../../core/held.js'

/** What is still different of an item, with the fields that an earlier difference named and that are settled by now. */
export function together(before: AnyDifference | undefined, now: AnyDifference): AnyDifference {
  if (!before || before.is === 'left over' || now.is !== 'different') return now
  const named: readonly string[] = before.is === 'different' ? before.fields : Object.keys(before.wanted)
  const done = named.filter(
    (key) => anyItem(before.wanted)[key] !== undefined && !now.fields.some((field) => field === key),
  )
  const found = (key: string) => (before.is === 'different' ? heldIn(before.found.item, key) : nothing)
  return { ...now, before: done.map((key) => ({ key, found: found(key) })) }
}

/** The notes of several comparisons, each once. */
export function notesOf(...comparisons: Comparison[]): Remark[] {
  const all = comparisons.flatMap(({ notes }) => notes)
  return [...new Map(all.map((note) => [`${note.ref} ${note.text}`, note])).values()]
}

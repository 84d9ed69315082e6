import type { Marks, Origin } from './area.js'

/**
 * Where an item comes from. Never judged by a title: place, an untouched state and a known text must all speak for it.
 * @param marks what the adapter observed; none means that nothing of this kind ships
 * @example originOf({ place: true, untouched: true, known: true }) // 'shipped'
 */
export function originOf(marks: Marks | undefined): Origin {
  if (marks?.place && !marks.untouched) return 'shipped, edited'
  if (marks?.place && marks.known) return 'shipped'
  return marks?.place || marks?.early ? 'came in the first minutes' : "somebody's"
}

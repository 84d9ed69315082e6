import { anyItem, areaOf, type AnyDifference } from '../../core/areas/index.js'
import type { Comparison } from '../../core/compare.js'
import { nameIn } from '../../core/ref.js'
import { textOf } from '../../core/value.js'
import type { Choice, Chosen, SettleOptions } from './choice.js'
import { inTheirUnits } from '../../core/comparing/units.js'
import { callCaller } from '../caller.js'
import { sameIn } from './same.js'

/**
 * Asks which differences to settle; where there is nobody to ask, it is all that remove nothing. What opens is asked about
 * apart, and without anybody to ask never chosen.
 */
export async function choose(options: SettleOptions, choice: Choice): Promise<Chosen> {
  const opening = choice.differences.filter(
    (difference) => opens(difference) && !isCovered(difference, options.open ?? []),
  )
  const usual = choice.differences.filter((difference) => !opening.includes(difference))
  const chosen = await callCaller('choose', () => chosenOf(options, { ...choice, differences: usual }))
  if (!chosen) return chosen
  const ask = () => options.choose?.({ ...choice, differences: opening, opens: true })
  const more = opening.length > 0 ? await callCaller('choose', ask) : []
  return inTheirUnits([...chosen, ...(more ?? [])], choice.differences)
}

function chosenOf({ choose: ask }: SettleOptions, choice: Choice): Chosen | Promise<Chosen> {
  const { differences } = choice
  if (!ask) return differences.filter(({ is }) => is !== 'left over')
  return differences.length === 0 ? differences : ask(choice)
}

const opens = (difference: AnyDifference): boolean => difference.is === 'different' && difference.opens === true

/** Named by its own ref; what is a side of something also by the ref of that, or by its name alone. */
function isCovered(difference: AnyDifference, named: readonly string[]): boolean {
  const { sideOf } = areaOf(difference.area)
  const names: string[] = [difference.ref]
  if (sideOf && difference.is === 'different')
    names.push(textOf(anyItem(difference.found.item)[sideOf]), nameIn(difference.ref))
  return named.some((one) => names.includes(one))
}

/** Whether a difference was shown before, with all that it changes. */
function wasShown(shown: Comparison, difference: AnyDifference): boolean {
  const before = sameIn(shown.differences, difference)
  if (before?.is !== 'different' || difference.is !== 'different') return before !== undefined
  const fields: readonly string[] = before.fields
  return difference.fields.every((key) => fields.includes(key))
}

/** What the first-run form left is seen now: what was not shown before is asked about on its own. */
export async function chooseAgain(
  options: SettleOptions,
  comparison: Comparison,
  shown: Comparison,
  chosen: readonly AnyDifference[],
): Promise<readonly AnyDifference[]> {
  const { differences } = comparison
  const late = differences.filter((difference) => !wasShown(shown, difference))
  const more = (await choose(options, { comparison, differences: late, expected: false, late: true })) ?? []
  return differences.filter((difference) =>
    sameIn(late, difference) ? sameIn(more, difference) : sameIn(chosen, difference),
  )
}

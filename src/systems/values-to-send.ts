import type { Difference, ItemShape } from '../core/area.js'

/**
 * The values of a difference that are to be sent: all of an item that is new, of another those that change. What else stands there
 * may have been changed by someone meanwhile.
 * @example const { title, slug } = valuesToSend(difference) // undefined where they stay as they are
 */
export function valuesToSend<N extends string, I extends ItemShape>(
  difference: Exclude<Difference<N, I>, { is: 'left over' }>,
): Partial<I> {
  const { wanted } = difference
  if (difference.is === 'missing') return wanted
  const fields = new Set<string>(difference.fields)
  return Object.fromEntries(Object.entries(wanted).filter(([key]) => fields.has(key))) as Partial<I>
}

import { Step, type AnyDifference, type Difference, idOf, valuesToSend } from 'unpack'
import { items } from './carriers/forms.js'

/** The step for something that is a name and a slug: made, or written over. */
export function termStep<A extends 'tags' | 'linkCategories'>(
  room: 'tags' | 'link-categories',
  difference: Exclude<Difference<A, { name: string; slug: string }>, { is: 'left over' }>,
): Step {
  const { name, slug } = valuesToSend(difference)
  const fields = { ...(name !== undefined && { name }), ...(slug !== undefined && { slug }) }
  const id = difference.is === 'different' ? { id: idOf(difference.found.ref) } : {}
  const proves = [difference as unknown as AnyDifference]
  return Step.of(items, { room, ...id, fields }, { proves, gives: difference.ref })
}

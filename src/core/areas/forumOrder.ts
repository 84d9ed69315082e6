import type { Area, Value } from '../area.js'
import { nameIn } from '../ref.js'
import { textOf } from '../value.js'
import { forums } from './forums.js'

export interface ForumOrderItem {
  /** The refs of categories and forums, from the top down. */
  order: readonly string[]
}

const listOf = (value: Value): readonly Value[] => (Array.isArray(value) ? (value as readonly Value[]) : [])

/** In which order categories and forums stand; what the baseline does not name may stand between. */
export const forumOrder: Area<'forumOrder', ForumOrderItem> = {
  name: 'forumOrder',
  title: 'order of forums',
  key: 'forums',
  list: 'one',
  follows: ['forums'],
  keys: ['order'],
  ref: () => 'forumOrder',
  plan: (baseline) => {
    const order = forums.plan(baseline).map(({ item }) => forums.ref(item))
    return order.length < 2 ? [] : [{ item: { order } }]
  },
  links: ['order'],
  ranks: ['order'],
  // one that is still to come will stand behind the others
  same: (_key, wanted, found) => {
    const there = listOf(found).filter((ref) => listOf(wanted).includes(ref))
    return listOf(wanted)
      .filter((ref) => there.includes(ref))
      .every((ref, index) => there[index] === ref)
  },
  call: () => 'the order of forums',
  show: (_key, value) =>
    listOf(value)
      .map((ref) => nameIn(textOf(ref)).split('/').at(-1))
      .join(', '),
}

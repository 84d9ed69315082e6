import { oneForm } from '../../../common/adapter/carriers/forms.js'
import { itemForms, type ItemFields as Fields } from '../../../common/adapter/carriers/items.js'

export const settings = oneForm('settings')
export const publishing = oneForm('publishing')
export const visitors = oneForm('visitors')
export const updateRules = oneForm('updates')

type Room = 'posts' | 'pages' | 'categories' | 'comments' | 'tags' | 'links' | 'link-categories' | 'uploads'
export type ItemFields = Fields<Room>

/** Everything that is a form an item. */
export const items = itemForms<Room>({
  inList: ['comments'],
  stale: (room) => (room === 'posts' || room === 'categories' ? ['comments', 'posts'] : []),
})

import type { Area } from '../area.js'
import { refOf } from '../ref.js'

export interface CommentItem {
  /** A number or name that tells it from others. */
  key: string
  by: string
  /** The ref of what it was written under. */
  on: string
}

/** Comments: what shipped goes, with its post where that goes too. */
export const comments: Area<'comments', CommentItem> = {
  name: 'comments',
  title: 'comments',
  list: 'at least',
  shipped: 'Comments',
  keys: ['by', 'on'],
  ref: (item) => refOf('comments', item.key),
  plan: () => [],
  within: 'on',
  keepsHolder: true,
  // without the visitor's name: reports hold no personal data
  call: (item) => `comment ${item.key} on ${item.on}`,
}

import type { Area } from '../area.js'
import { refOf } from '../ref.js'

export interface TopicItem {
  /** What tells it apart: the system's own number. */
  key: string
  title: string
  /** The ref of the forum it stands in. */
  forum: string
}

/** Topics are looked at: one that shipped may go, one that is somebody's keeps its forum. */
export const topics: Area<'topics', TopicItem> = {
  name: 'topics',
  title: 'topics',
  list: 'at least',
  shipped: 'Topics',
  keys: ['key', 'title', 'forum'],
  ref: (item) => refOf('topics', item.key),
  plan: () => [],
  links: ['forum'],
  within: 'forum',
  keepsHolder: true,
  call: (item) => `the topic “${item.title}”`,
}

import type { Area } from '../area.js'
import { refOf } from '../ref.js'

export interface MemberItem {
  username: string
}

/** Accounts beside the owner's are looked at, so that somebody's own are seen. */
export const members: Area<'members', MemberItem> = {
  name: 'members',
  title: 'members',
  list: 'at least',
  keys: ['username'],
  ref: (item) => refOf('members', item.username),
  plan: () => [],
  call: (item) => `the account “${item.username}”`,
}

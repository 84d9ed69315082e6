import type { Area } from '../area.js'
import { refOf } from '../ref.js'

export interface MemberItem {
  username: string
}

/** Accounts beside the owner's are looked at, so that somebody's own are seen; the host's goes when the owner has one. */
export const members: Area<'members', MemberItem> = {
  name: 'members',
  title: 'members',
  list: 'at least',
  keys: ['username'],
  ref: (item) => refOf('members', item.username),
  plan: () => [],
  goes: ({ username }, { owner }) =>
    username === owner.signInAs && username !== owner.username
      ? 'it was the host’s; what it made is handed over to the owner'
      : undefined,
  call: (item) => `the account “${item.username}”`,
}

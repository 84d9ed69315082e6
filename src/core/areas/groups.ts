import { z } from 'zod'
import type { Area } from '../area.js'
import { title } from '../baseline/values.js'
import { refOf } from '../ref.js'

export const groupSchema = z.strictObject({
  name: title.describe('What the group is called; members and access name it so'),
  description: z.string().optional().describe('Who belongs to it'),
})

export interface GroupItem {
  name: string
  description?: string
}

/** Groups of members, beside those that every system has: members, moderators, administrators. */
export const groups: Area<'groups', GroupItem> = {
  name: 'groups',
  title: 'groups',
  list: 'at least',
  keys: ['name', 'description'],
  ref: (item) => refOf('groups', item.name),
  plan: ({ groups }) => (groups ?? []).map((item) => ({ item })),
  call: (item) => `the group “${item.name}”`,
}

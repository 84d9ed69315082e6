import { z } from 'zod'
import { isLevel } from '../access/who.js'
import { namedBy, namesIn } from '../baseline/plain-values.js'
import type { Area, Value } from '../area.js'
import { textOf } from '../value.js'
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

/** Its part of the baseline file. */
export const groupsPart = {
  groups: z
    .array(groupSchema)
    .optional()
    .describe('At least these groups of members')
    .meta({ examples: [[{ name: 'Survey volunteers' }]] }),
}

/** Groups of members, beside those that every system has: members, moderators, administrators. */
export const groups: Area<'groups', GroupItem> = {
  name: 'groups',
  title: 'groups',
  list: 'at least',
  questions: [{ key: 'groups', ask: 'Which groups of members are there?' }],
  gone: z.array(title).describe('Groups, by their names'),
  guarded: true,
  strange(item, { members = [], owner }, items) {
    const planned = new Map(members.filter((one) => one.groups.includes(item.name)).map((one) => [one.username, one]))
    // an account of a planned name may be anybody's, and the plan may put it elsewhere
    const isMeant = (username: string, isOurs: boolean) =>
      username === owner.username ||
      username === owner.signInAs ||
      (planned.has(username) && (isOurs || planned.get(username)?.password === 'stored'))
    const strangers = items('members').filter(
      ({ item: { groups: own, username }, isOurs }) =>
        Array.isArray(own) &&
        (own as readonly Value[]).includes(groups.ref(item)) &&
        !isMeant(textOf(username), isOurs),
    )
    const names = strangers.map(({ item: { username } }) => textOf(username))
    return names.length === 0
      ? undefined
      : `it holds members whom the plan does not know: ${names.slice(0, 3).join(', ')}`
  },
  keys: ['name', 'description'],
  named: ({ groups }) => namedBy(groups, 'name', ['groups']),
  mistakes({ groups }, add) {
    for (const [index, name] of namesIn(groups, 'name').entries())
      if (isLevel(name))
        add('contradiction', ['groups', index, 'name'], 'every site has these by itself', 'a name of its own')
  },
  ref: (item) => refOf('groups', item.name),
  plan: ({ groups }) => (groups ?? []).map((item) => ({ item })),
  call: (item) => `the group “${item.name}”`,
}

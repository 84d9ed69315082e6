import { z } from 'zod'
import { namedBy, namesIn, groupsIn, isGroup, listOf as plainList } from '../baseline/plain-values.js'
import type { Area, Value } from '../area.js'
import { mail, title, userName } from '../baseline/values.js'
import { nameIn, refOf } from '../ref.js'
import { textOf, yesOrNo } from '../value.js'

export const memberSchema = z.strictObject({
  username: userName.describe('The name the member signs in with'),
  email: mail.describe("The member's e-mail address"),
  name: z
    .strictObject({
      shown: z
        .string()
        .min(1)
        .describe('The name that others see')
        .meta({ examples: ['Hemp'] }),
    })
    .optional()
    .describe("The member's names"),
  groups: z
    .array(title.meta({ examples: ['Survey volunteers'] }))
    .default([])
    .describe('The groups the member belongs to, at least'),
  password: z
    .enum(['made', 'stored'])
    .default('made')
    .describe('made = strong, random, kept in the logins file; stored = it is in the logins file already'),
})

export interface MemberItem {
  username: string
  email?: string
  /** The name that others see. */
  shown?: string
  /** The refs of groups. */
  groups?: readonly string[]
  /** Whether the account can be used: a new one may wait for somebody. */
  open?: boolean
  /** The refs of groups that it leaves: an earlier plan has put it into them. */
  leaves?: readonly string[]
}

const listOf = (value: Value): readonly Value[] => (Array.isArray(value) ? (value as readonly Value[]) : [])

/** Its part of the baseline file. */
export const membersPart = {
  members: z
    .array(memberSchema)
    .optional()
    .describe('At least these accounts beside the owner’s')
    .meta({ examples: [[{ username: 'kelp', email: 'kelp@tidepool.example', groups: ['Survey volunteers'] }]] }),
}

/** At least these accounts beside the owner's; the host's goes when the owner has one. */
export const members: Area<'members', MemberItem> = {
  name: 'members',
  title: 'members',
  list: 'at least',
  questions: [{ key: 'members', ask: 'Who has an account beside you?' }],
  gone: z.array(userName).describe('Accounts, by their user names'),
  guarded: true,
  apart: ['groups', 'open'],
  strange: () => 'nothing tells that we made it, and no stored login opens it',
  trusts: ({ groups }) => [...(groups ?? [])],
  atLeast: ['groups'],
  without: (item, _key, leaves) => ({ ...item, leaves }),
  opens: ({ groups: wanted = [] }, { groups: found = [] }) => wanted.some((group) => !found.includes(group)),
  vouches: ['email'],
  keys: ['username', 'email', 'shown', 'groups', 'open'],
  named: ({ members }) => namedBy(members, 'username', ['members']),
  mistakes({ members, groups, owner }, add) {
    const known = namesIn(groups, 'name')
    for (const [member, at] of groupsIn(members)) {
      if (isGroup(owner) && member.username === owner.username)
        add('two-of-one', ['members', at, 'username'], 'this is the owner', 'somebody beside the owner')
      for (const [index, name] of plainList(member.groups).entries())
        if (typeof name === 'string' && !known.includes(name))
          add(
            'unknown-item',
            ['members', at, 'groups', index],
            'no group of this file has that name',
            'a name that stands under groups',
          )
    }
  },
  ref: (item) => refOf('members', item.username),
  plan: ({ members }) =>
    (members ?? []).map(({ username, email, name, groups, password }) => ({
      ours: password === 'stored',
      item: { username, email, shown: name?.shown, groups: groups.map((name) => refOf('groups', name)), open: true },
    })),
  account: ({ username }) => username,
  links: ['groups'],
  goes: ({ username }, { owner }) =>
    username === owner.signInAs && username !== owner.username
      ? 'it was the host’s; what it made is handed over to the owner'
      : undefined,
  same: (key, wanted, found) =>
    key === 'groups'
      ? listOf(wanted).every((group) => listOf(found).includes(group))
      : key === 'open'
        ? found !== false
        : key === 'shown'
          ? wanted === found
          : textOf(wanted).toLowerCase() === textOf(found).toLowerCase(),
  call: (item) => `the account “${item.username}”`,
  say: (key) => (key === 'open' ? 'the account is open' : key === 'shown' ? 'shown name' : key),
  show: (key, value) =>
    key === 'groups'
      ? listOf(value)
          .map((ref) => nameIn(textOf(ref)))
          .join(', ')
      : yesOrNo(value),
}

import { z } from 'zod'
import { documentOf } from '../../web/reading.js'
import type { PloneSession } from './session.js'

const members = z.object({ items: z.array(z.string()).default([]), items_total: z.number().default(0) })
const groupSchema = z.object({
  id: z.string(),
  title: z.string().nullish(),
  description: z.string().nullish(),
  email: z.string().nullish(),
  roles: z.array(z.string()).default([]),
  members: members.optional(),
})
const listSchema = z.array(groupSchema)
const userSchema = z.object({
  id: z.string(),
  username: z.string(),
  fullname: z.string().nullish(),
  email: z.string().nullish(),
  roles: z.array(z.string()).default([]),
  groups: z.object({ items: z.array(z.object({ id: z.string() })).default([]) }).optional(),
})
const usersSchema = z.object({ items: z.array(userSchema), items_total: z.number() })
export type User = z.output<typeof userSchema>

/** Groups that every site has by itself. */
const OWN = new Set(['Administrators', 'Reviewers', 'Site Administrators', 'AuthenticatedUsers'])

export const USERS = '@users'
export const GROUPS = '@groups'

/** All groups that somebody has made. */
export const groupsOf = async (session: PloneSession) =>
  (await session.document(GROUPS, listSchema, 'the list of groups'))
    .filter(({ id }) => !OWN.has(id))
    .map((group) => ({ ...group, title: group.title || group.id, description: group.description ?? '' }))

/** What groups are called, by what they are known by. */
export const groupNamesOf = async (session: PloneSession): Promise<ReadonlyMap<string, string>> =>
  new Map((await groupsOf(session)).map(({ id, title }) => [id, title]))

/** All accounts of the site. Whoever looks after the server is none of them. */
export const usersOf = (session: PloneSession): Promise<User[]> =>
  session.list(USERS, usersSchema, 'the list of members')

/** One account, also that of whoever looks after the server. */
export const userOf = (session: PloneSession, username: string): Promise<User> =>
  session.shelf.read(`${USERS}/${username}`, async () =>
    documentOf(await session.rest('GET', `${USERS}/${encodeURIComponent(username)}`), userSchema, 'the account'),
  )

export const forgetAccounts = ({ shelf }: PloneSession, ...usernames: string[]): void => {
  shelf.forget(USERS, GROUPS, ...usernames.map((name) => `${USERS}/${name}`))
}

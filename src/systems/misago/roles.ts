import type { Form } from '../../web/forms.js'
import { rightsIn, isOurs, type Rights } from './rights.js'
import type { MisagoSession } from './session.js'

/** Roles and sets of rights that every forum of this system is set up with, by their numbers. */
export const MEMBER = 1
export const GUEST = 2
export const MODERATOR = 3
const SHIPPED_SETS = 5
/** The role that a plan needs which lets administrators do more than moderators: the system brings none. */
export const ADMINISTRATORS = 'Administrators'

/** The roles that a form ticks. */
export const rolesIn = ({ pairs }: Form): number[] =>
  pairs.flatMap(([name, value]) => (name === 'roles' ? [Number(value)] : []))

export interface Named {
  id: number
  name: string
}

/** The rows of a list: their numbers, and what they are called. */
export async function listed(session: MisagoSession, place: string): Promise<Named[]> {
  const $ = await session.screen(place)
  return $('a.item-name[href*="/edit/"]')
    .toArray()
    .map((element) => ({
      id: Number(/\/edit\/(\d+)\//.exec($(element).attr('href') ?? '')?.[1]),
      name: $(element).text().trim(),
    }))
}

export const rolesOf = (session: MisagoSession): Promise<Named[]> => listed(session, 'permissions/')

/** The sets of rights by their numbers: the shipped ones, ours, and those in use. */
export async function setsOf(session: MisagoSession, used: ReadonlySet<number>): Promise<Map<number, Rights>> {
  const all = await listed(session, 'permissions/categories/')
  const known = all.filter(({ id, name }) => id <= SHIPPED_SETS || isOurs(name) || used.has(id))
  const read = known.map(async ({ id, name }) => {
    const { fields } = await session.form(`permissions/categories/edit/${id}/`, name)
    return [id, rightsIn(fields)] as const
  })
  return new Map(await Promise.all(read))
}

/** Which set of rights each role has in each category: `given(role).get(category)`. */
export async function givenTo(session: MisagoSession, role: number): Promise<Map<number, number>> {
  const { fields } = await session.form(`permissions/categories/${role}/`)
  return new Map(
    Object.entries(fields).flatMap(([name, value]): [number, number][] => {
      const category = /^(\d+)-role$/.exec(name)?.[1]
      return category === undefined || value === '' ? [] : [[Number(category), Number(value)]]
    }),
  )
}

/** The owner's account: its number, its own fields, and all roles it has, by itself and through its rank. */
export async function ownAccount(session: MisagoSession): Promise<{ id: number; email: string; roles: number[] }> {
  const { username } = session.login
  const users = await usersOf(session)
  const own = users.find(({ name, email }) => [name, email].includes(username))
  const id = own?.id ?? 0
  const form = await session.form(`users/edit/${id}/`)
  const rank = await session.form(`ranks/edit/${form.fields.rank ?? ''}/`)
  return { id, email: form.fields.email ?? '', roles: [...new Set([...rolesIn(form), ...rolesIn(rank)])] }
}

export interface User extends Named {
  email: string
  /** False for one that waits to be activated. */
  open: boolean
  /** When it was made, to the millionth of a second. */
  since: string
}

/** All accounts, page by page. A filter that somebody set before would stay in the session: it is taken away. */
export const usersOf = (session: MisagoSession): Promise<User[]> => usersBy(session, 'clear_filters=1')

/** Accounts that have a role of their own. */
export const usersWith = (session: MisagoSession, role: number): Promise<User[]> => usersBy(session, `role=${role}`)

async function usersBy(session: MisagoSession, query: string): Promise<User[]> {
  const page = async (number: number) => {
    const $ = await session.screen(
      `users/${number === 1 ? '' : `${number}/`}?sort=id&direction=asc&${query}&redirected=1`,
    )
    const users = $('tr:has(a.item-name)')
      .toArray()
      .map((row): User => {
        const link = $(row).find('a.item-name')
        return {
          id: Number(/\/edit\/(\d+)\//.exec(link.attr('href') ?? '')?.[1]),
          name: link.text().trim(),
          since: $(row).find('abbr[data-timestamp]').first().attr('data-timestamp') ?? '',
          open: $(row).find('.badges-list .badge-primary').length === 0,
          email: ($(row).find('a[href^="mailto:"]').attr('href') ?? '').replace('mailto:', ''),
        }
      })
    return { users, more: $(`a[href*="users/${number + 1}/"]`).length > 0 }
  }
  const all: User[] = []
  for (let number = 1; ; number += 1) {
    const { users, more } = await page(number)
    all.push(...users)
    if (!more) return all
  }
}

/** The rank that new members get. */
export async function usualRank(session: MisagoSession): Promise<number> {
  const $ = await session.screen('ranks/')
  const all = await listed(session, 'ranks/')
  // the one that is the usual rank has no button to make it that
  const usual = all.find(({ id }) => $(`form[action$="ranks/default/${id}/"]`).length === 0)
  return usual?.id ?? 0
}

/** The roles that every member has: the system's own, and those of the rank that new members get. */
export async function memberRoles(session: MisagoSession): Promise<number[]> {
  return [MEMBER, ...rolesIn(await session.form(`ranks/edit/${await usualRank(session)}/`))]
}

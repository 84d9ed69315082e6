import { isLevel, subjectsOf, type Action } from '../../../core/access/who.js'
import type { Carried, Carrier, IdOf } from '../../step.js'
import { fieldsFor, nameOf } from '../rights.js'
import { ADMINISTRATORS, GUEST, listed, MEMBER, MODERATOR, rolesOf } from '../roles.js'
import { giveRoles } from './accounts.js'
import type { MisagoSession } from '../session.js'
import { standing, type Standing } from '../standing.js'

export interface Permission {
  category: IdOf
  /** What visitors, members, each group, moderators and administrators are to be able to do in it. */
  may: Readonly<Record<string, readonly Action[]>>
  /** It is closed to those who may not write even there. */
  closed: boolean
}
type Load = Omit<Permission, 'category'> & { category: string | number }

/**
 * Who may do what in categories. What is missing is made first: sets of rights, and a role for administrators where they are
 * to do more than moderators. Then one form a role carries all categories; the owner's own comes last, so that a run which
 * was stopped before still shows a difference.
 */
export const permissions: Carrier<Permission, MisagoSession> = {
  name: 'permissions',
  side: 'dashboard',
  atOnce: Infinity,
  async carry(loads, session) {
    // groups may have been made since
    const here = await standing(session)
    const all = loads as readonly Load[]
    try {
      const apart = all.some(({ may }) => may.administrators?.join() !== may.moderators?.join())
      const own = apart || !isModerator(here) ? await ownRole(session, here) : undefined
      const sets = await makeSets(session, here, all)
      const groups = Object.keys(all[0]?.may ?? {}).filter((name) => !isLevel(name))
      const roleOf = (subject: string): number | undefined =>
        ({ everyone: GUEST, members: MEMBER, moderators: MODERATOR, administrators: own })[subject] ??
        here.roles.find(({ name }) => name === subject)?.id
      const by = new Map<number, Record<string, string>>()
      const put = (role: number, category: number, set: number | undefined) => {
        if ((here.given.get(role)?.get(category) ?? 0) === (set ?? 0)) return
        by.set(role, { ...by.get(role), [`${category}-role`]: set === undefined ? '' : String(set) })
      }
      for (const { category, may, closed } of all) {
        const planned = new Map<number, number | undefined>()
        for (const subject of subjectsOf(groups)) {
          const role = roleOf(subject)
          if (role !== undefined)
            planned.set(role, neededBy(subject, may, here) ? sets.of(may[subject] ?? [], closed) : undefined)
        }
        // nobody else's role lets anybody in
        for (const { id } of here.roles) put(id, Number(category), planned.get(id))
      }
      const order = [...by.keys()].sort((a, b) => Number(a === own) - Number(b === own))
      for (const role of order) {
        const { refused } = await session.send(`permissions/categories/${role}/`, by.get(role) ?? {}, 'anew')
        if (refused !== undefined) return loads.map(() => ({ refused }))
      }
      // nothing to change, and yet rights that are kept for others may have to be forgotten
      if (order.length === 0) await session.send(`permissions/categories/${GUEST}/`, {}, 'anew')
    } catch (error) {
      if (!(error instanceof Refused)) throw error
      return loads.map((): Carried => ({ refused: error.message }))
    } finally {
      session.shelf.forget('page')
    }
    return loads.map(() => ({}))
  },
}

class Refused extends Error {}
const taken = ({ refused }: Carried): void => {
  if (refused !== undefined) throw new Refused(refused)
}

const isModerator = ({ owner }: Standing): boolean => owner.roles.includes(MODERATOR)

/** Groups and moderators are members too, and the owner mostly a moderator: they need a set of their own only where they may do more. */
const neededBy = (subject: string, may: Permission['may'], here: Standing): boolean => {
  const below = subject === 'administrators' && isModerator(here) ? may.moderators : may.members
  return subject === 'everyone' || subject === 'members' || may[subject]?.join() !== below?.join()
}

/** The role of administrators, made where there is none, and given to the owner. */
async function ownRole(session: MisagoSession, here: Standing): Promise<number> {
  const known = here.roles.find(({ name }) => name === ADMINISTRATORS)?.id
  if (known === undefined) {
    taken(await session.send('permissions/new/', { name: ADMINISTRATORS }, 'blank'))
    session.shelf.forget('permissions/')
    here.roles = await rolesOf(session)
  }
  const role = known ?? here.roles.find(({ name }) => name === ADMINISTRATORS)?.id ?? 0
  if (!here.owner.roles.includes(role)) taken(await giveRoles(session, here.owner.id, [role]))
  return role
}

/** The sets of rights that are needed: one that is there and lets do just this, with the least beyond; or a new one. */
async function makeSets(
  session: MisagoSession,
  here: Standing,
  loads: readonly Load[],
): Promise<{ of(may: readonly Action[], closed: boolean): number | undefined }> {
  const fit = (may: readonly Action[], evenClosed: boolean): number | undefined =>
    [...here.sets]
      .filter(
        ([, rights]) =>
          !rights.held &&
          (rights.evenClosed || !evenClosed) &&
          rights.may.size === may.length &&
          may.every((action) => rights.may.has(action)),
      )
      .sort(([, a], [, b]) => a.beyond - b.beyond)[0]?.[0]
  const writes = (may: readonly Action[], closed: boolean) => closed && (may.includes('start') || may.includes('reply'))
  const made = new Map<string, number>()
  const lacking = new Map<string, ReturnType<typeof fieldsFor>>()
  for (const { may, closed } of loads)
    for (const [subject, own] of Object.entries(may)) {
      const evenClosed = writes(own, closed)
      if (own.length > 0 && neededBy(subject, may, here) && fit(own, evenClosed) === undefined)
        lacking.set(nameOf(new Set(own), evenClosed), fieldsFor(new Set(own), evenClosed))
    }
  for (const fields of lacking.values()) taken(await session.send('permissions/categories/new/', fields, 'blank'))
  if (lacking.size > 0) {
    session.shelf.forget('permissions/categories/')
    for (const { id, name } of await listed(session, 'permissions/categories/')) made.set(name, id)
  }
  return {
    of(may, closed) {
      if (may.length === 0) return undefined
      const evenClosed = writes(may, closed)
      return fit(may, evenClosed) ?? made.get(nameOf(new Set(may), evenClosed))
    },
  }
}

/** Saves a form of permissions as it is: this makes the system forget the rights that it keeps for everybody. */
export const saveAgain: Carrier<{ role: number }, MisagoSession> = {
  name: 'permissions, saved again',
  side: 'dashboard',
  atOnce: 1,
  async carry([load], session) {
    if (!load) return []
    const { refused } = await session.send(`permissions/categories/${load.role}/`, {}, 'anew')
    session.shelf.forget('page')
    return [refused === undefined ? {} : { refused }]
  },
}

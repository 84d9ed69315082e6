import { isLevel, subjectsOf, type Action } from '../../core/access/who.js'
import { fieldsFor, nameOf } from './rights.js'
import { GUEST, MEMBER, MODERATOR } from './roles.js'
import type { Standing } from './standing.js'

/* Who may do what, as forms: decided here without asking anything; the carrier sends it. */

/** What visitors, members, each group, moderators and administrators are to be able to do in a category. */
export interface Wanted {
  category: string | number
  may: Readonly<Record<string, readonly Action[]>>
  /** It is closed to those who may not write even there. */
  closed: boolean
}

export const isModerator = ({ owner }: Standing): boolean => owner.roles.includes(MODERATOR)

/** Groups and moderators are members too, and the owner mostly a moderator: they need a set of their own only where they may do more. */
function neededBy(subject: string, may: Wanted['may'], here: Standing): boolean {
  const below = subject === 'administrators' && isModerator(here) ? may.moderators : may.members
  return subject === 'everyone' || subject === 'members' || may[subject]?.join() !== below?.join()
}

/** Whether administrators need a role of their own: they are to do more than moderators, or the owner is none. */
export const needsOwnRole = (here: Standing, all: readonly Wanted[]): boolean =>
  !isModerator(here) || all.some(({ may }) => may.administrators?.join() !== may.moderators?.join())

const writesEvenClosed = (may: readonly Action[], closed: boolean): boolean =>
  closed && (may.includes('start') || may.includes('reply'))

/** The set of rights that is there and lets do just this, with the least beyond. */
function fit({ sets }: Standing, may: readonly Action[], evenClosed: boolean): number | undefined {
  const fitting = [...sets].filter(
    ([, rights]) =>
      !rights.held &&
      (rights.evenClosed || !evenClosed) &&
      rights.may.size === may.length &&
      may.every((action) => rights.may.has(action)),
  )
  return fitting.sort(([, a], [, b]) => a.beyond - b.beyond)[0]?.[0]
}

/** The forms of sets of rights that are needed and not there. */
export function lackingSets(here: Standing, all: readonly Wanted[]): ReturnType<typeof fieldsFor>[] {
  const lacking = new Map<string, ReturnType<typeof fieldsFor>>()
  for (const { may, closed } of all)
    for (const [subject, own] of Object.entries(may)) {
      const evenClosed = writesEvenClosed(own, closed)
      if (own.length > 0 && neededBy(subject, may, here) && fit(here, own, evenClosed) === undefined)
        lacking.set(nameOf(new Set(own), evenClosed), fieldsFor(new Set(own), evenClosed))
    }
  return [...lacking.values()]
}

/**
 * The forms of roles, by the roles' numbers: which set of rights each has in which category, where that changes. The owner's own
 * comes last, so that a run which was stopped before still shows a difference.
 * @param own the role of administrators, where they need one
 * @param made the sets that were made, by their names
 */
export function roleForms(
  here: Standing,
  all: readonly Wanted[],
  own: number | undefined,
  made: ReadonlyMap<string, number>,
): (readonly [role: number, fields: Record<string, string>])[] {
  const groups = Object.keys(all[0]?.may ?? {}).filter((name) => !isLevel(name))
  const roleOf = (subject: string): number | undefined =>
    ({ everyone: GUEST, members: MEMBER, moderators: MODERATOR, administrators: own })[subject] ??
    here.roles.find(({ name }) => name === subject)?.id
  const setFor = (may: readonly Action[], closed: boolean): number | undefined => {
    const evenClosed = writesEvenClosed(may, closed)
    return may.length === 0 ? undefined : (fit(here, may, evenClosed) ?? made.get(nameOf(new Set(may), evenClosed)))
  }
  const forms = new Map<number, Record<string, string>>()
  for (const { category, may, closed } of all) {
    const planned = new Map<number, number | undefined>()
    for (const subject of subjectsOf(groups)) {
      const role = roleOf(subject)
      if (role !== undefined)
        planned.set(role, neededBy(subject, may, here) ? setFor(may[subject] ?? [], closed) : undefined)
    }
    // nobody else's role lets anybody in
    for (const { id } of here.roles) {
      const set = planned.get(id)
      if ((here.given.get(id)?.get(Number(category)) ?? 0) === (set ?? 0)) continue
      forms.set(id, { ...forms.get(id), [`${category}-role`]: set === undefined ? '' : String(set) })
    }
  }
  return [...forms].sort(([a], [b]) => Number(a === own) - Number(b === own))
}

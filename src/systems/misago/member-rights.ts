import type { AnyDifference } from '../../core/areas/index.js'
import { Step } from '../step.js'
import { roleRights } from './carriers/settings.js'
import { MEMBER, memberRoles } from './roles.js'
import type { MisagoSession } from './session.js'

/** Rights that every member has all over the forum, by the fields of a role's form. */
const rights = {
  polls: ['misago.threads.permissions.polls-can_start_polls'],
  privateMessages: [
    'misago.threads.permissions.privatethreads-can_use_private_threads',
    'misago.threads.permissions.privatethreads-can_start_private_threads',
  ],
  signatures: ['misago.users.permissions.account-can_have_signature'],
} as const
export type MemberRight = keyof typeof rights

const allows = (fields: Readonly<Record<string, string>>, right: MemberRight): boolean =>
  rights[right].every((name) => Number(fields[name] ?? 0) > 0)

/** Which roles of every member give each of these rights: one is enough. */
export async function givenToMembers(session: MisagoSession): Promise<Record<MemberRight, number[]>> {
  const roles = await memberRoles(session)
  const forms = await Promise.all(roles.map((role) => session.form(`permissions/edit/${role}/`)))
  const by = (right: MemberRight) => roles.filter((_, index) => allows(forms[index]?.fields ?? {}, right))
  return { polls: by('polls'), privateMessages: by('privateMessages'), signatures: by('signatures') }
}

/** Gives a right to members through their own role, or takes it out of every role that gives it. */
export const rightSteps = (
  difference: AnyDifference,
  right: MemberRight,
  on: boolean,
  given: readonly number[],
): Step[] =>
  (on ? [MEMBER] : given).map((role) =>
    Step.of(
      roleRights,
      { role, fields: Object.fromEntries(rights[right].map((name) => [name, on ? '1' : '0'])) },
      { proves: [difference] },
    ),
  )

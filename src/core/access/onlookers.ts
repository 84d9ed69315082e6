import type { Inventory } from '../areas/index.js'
import type { Baseline } from '../baseline/schema.js'
import { nameIn } from '../ref.js'
import type { EyesQuestion } from '../looking.js'

/** Somebody who looks. */
export interface Onlooker {
  /** `visitor`, `owner`, or `member` and a user name. */
  as: string
  /** Whom they stand for in a table of eyes: `everyone`, `members`, the name of a group, `administrators`. */
  of: readonly string[]
}
/** Those nobody stands for, and why. */
export interface Unseen {
  of: string
  why: string
}

/** Everybody who looks, and those nobody stands for. */
export interface Onlookers {
  onlookers: Onlooker[]
  unseen: Unseen[]
}

/** Who is in which groups on the site, by user name, and whose account this run has changed. */
export interface WhoIsWhere {
  groupsOf: ReadonlyMap<string, readonly string[]>
  changed: ReadonlySet<string>
}

/** The same as it was read. @param changed refs of what this run has changed */
export const whoIsWhere = ({ members = [] }: Inventory, changed: readonly string[] = []): WhoIsWhere => ({
  groupsOf: new Map(members.map(({ item: { username, groups = [] } }) => [username, groups.map(nameIn)])),
  changed: new Set(members.flatMap(({ ref, item }) => (changed.includes(ref) ? [item.username] : []))),
})

/**
 * A visitor, everybody whose groups were changed, a plain member, a member of each group and of each set of groups, and the
 * owner; as far as there are such.
 * @param stored the user names whose logins are stored
 * @param most how many sign-ins beside the owner's the site bears in one run
 * @param where as it was read; as the baseline has it where left out
 */
export function onlookersOf(
  { members = [], groups = [] }: Pick<Baseline, 'members' | 'groups'>,
  stored: ReadonlySet<string>,
  most: number,
  { groupsOf, changed }: WhoIsWhere = { groupsOf: new Map(), changed: new Set() },
): Onlookers {
  const onlookers: Onlooker[] = [{ as: 'visitor', of: ['everyone'] }]
  const unseen: Unseen[] = []
  const known = members
    .filter(({ username }) => stored.has(username))
    .map((one) => ({ username: one.username, groups: groupsOf.get(one.username) ?? one.groups }))
  let left = most
  const take = (of: string, member: (typeof known)[number] | undefined, whom: string) => {
    if (!member) unseen.push({ of, why: `the baseline has no ${whom} whose login is stored` })
    else if (left-- <= 0) unseen.push({ of, why: `this system bears ${most} sign-ins in a run` })
    else onlookers.push({ as: `member ${member.username}`, of: ['members', ...member.groups] })
  }
  const isThere = (of: readonly string[]) =>
    onlookers.some((one) => one.of.join('\n') === ['members', ...of].join('\n'))
  for (const member of known) if (changed.has(member.username)) take(member.username, member, 'such member')
  if (!isThere([]))
    take(
      'members',
      known.find((one) => one.groups.length === 0),
      'member without a group',
    )
  for (const { name } of groups)
    if (!onlookers.some(({ of }) => of.includes(name)))
      take(
        name,
        known.find((one) => one.groups.includes(name)),
        `member of “${name}”`,
      )
  for (const member of known)
    if (member.groups.length > 1 && !isThere(member.groups)) take(member.groups.join(' and '), member, 'such member')
  return { onlookers: [...onlookers, { as: 'owner', of: ['administrators'] }], unseen }
}

/** Who somebody is, in words: `a visitor`, `the owner`, `member kelp`. */
export const inWords = (as: string): string => (as === 'visitor' ? 'a visitor' : as === 'owner' ? 'the owner' : as)

/** A check of the file: is somebody let in, or turned away? */
export const doorQuestion = (name: string, at: string, check: { as: string; refused: boolean }): EyesQuestion => ({
  name: `“${name}” ${check.refused ? 'turns' : 'lets'} ${inWords(check.as)} ${check.refused ? 'away' : 'in'}`,
  as: check.as,
  at,
  action: 'read',
  should: !check.refused,
})

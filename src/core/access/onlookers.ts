import type { Baseline } from '../baseline/schema.js'
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

/**
 * A visitor, a plain member, a member of each group, and the owner; as far as there are such.
 * @param stored the user names whose logins are stored
 * @param most how many sign-ins beside the owner's the site bears in one run
 */
export function onlookersOf(
  { members = [], groups = [] }: Pick<Baseline, 'members' | 'groups'>,
  stored: ReadonlySet<string>,
  most: number,
): Onlookers {
  const onlookers: Onlooker[] = [{ as: 'visitor', of: ['everyone'] }]
  const unseen: Unseen[] = []
  const known = members.filter(({ username }) => stored.has(username))
  let left = most
  const choose = (of: string, fits: (groups: readonly string[]) => boolean, whom: string) => {
    const member = known.find((one) => fits(one.groups))
    if (!member) unseen.push({ of, why: `the baseline has no ${whom} whose login is stored` })
    else if (left-- <= 0) unseen.push({ of, why: `this system bears ${most} sign-ins in a run` })
    else onlookers.push({ as: `member ${member.username}`, of: ['members', ...member.groups] })
  }
  choose('members', (own) => own.length === 0, 'member without a group')
  for (const { name } of groups)
    if (!onlookers.some(({ of }) => of.includes(name))) choose(name, (own) => own.includes(name), `member of “${name}”`)
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

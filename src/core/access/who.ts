/**
 * Who may do something: each of these includes those behind it. Names of groups stand between members and moderators.
 */
export const levels = ['everyone', 'members', 'moderators', 'administrators'] as const
/** Everybody, or those from a level on upward. */
export type Level = (typeof levels)[number]
/**
 * Whether a name is one of these; every other is a group's.
 * @example isLevel('members') // true
 */
export const isLevel = (name: string): name is Level => (levels as readonly string[]).includes(name)

/** What may be done in a forum, in the order in which an owner reads it. */
export const actions = ['see', 'read', 'start', 'reply', 'edit', 'remove', 'pin', 'notice', 'vote'] as const
/** One thing that somebody may do in a forum. */
export type Action = (typeof actions)[number]

/**
 * Everybody that access tells apart, from the most to the fewest: visitors go by `everyone`.
 * @example subjectsOf(['Night watch']) // ['everyone', 'members', 'Night watch', 'moderators', 'administrators']
 */
export const subjectsOf = (groups: readonly string[]): string[] => [
  'everyone',
  'members',
  ...groups,
  'moderators',
  'administrators',
]

/** A name as it stands in a list of who may: with everybody above it, or, where a site gives rights that no baseline would, alone. */
export type Named = string | { readonly only: string }

/**
 * Those who may, where these are named: upward is included, but for whoever is named alone.
 * @example [...granted(['moderators'], [])] // ['moderators', 'administrators']
 */
export function granted(who: readonly Named[], groups: readonly string[]): Set<string> {
  const subjects = subjectsOf(groups)
  const all = new Set<string>()
  for (const name of who) {
    if (typeof name !== 'string') {
      all.add(name.only)
      continue
    }
    const from = subjects.indexOf(name)
    if (from < 0) continue
    all.add(name)
    const above = groups.includes(name) ? subjects.indexOf('moderators') : from + 1
    for (const subject of subjects.slice(above)) all.add(subject)
  }
  return all
}

/**
 * The fewest names that mean exactly these: what a baseline would say. Where none do (a group may, and moderators may not),
 * every one is named alone.
 * @example fewest(new Set(['moderators', 'administrators']), []) // ['moderators']
 */
export function fewest(may: ReadonlySet<string>, groups: readonly string[]): Named[] {
  const own = groups.filter((group) => may.has(group))
  const [level] = levels.filter((one) => may.has(one))
  const who =
    level === 'everyone' || level === 'members' ? [level] : own.length > 0 ? [...own].sort() : level ? [level] : []
  const means = granted(who, groups)
  const same = means.size === may.size && [...means].every((subject) => may.has(subject))
  return same ? who : subjectsOf(groups).flatMap((subject) => (may.has(subject) ? [{ only: subject }] : []))
}

/** The narrower of two: those who are in both. */
export const both = (one: readonly Named[], other: readonly Named[], groups: readonly string[]): Named[] => {
  const second = granted(other, groups)
  return fewest(new Set([...granted(one, groups)].filter((subject) => second.has(subject))), groups)
}

/**
 * Who may, in an owner's words; nobody where the list is empty.
 * @example whoText(['members']) // 'members'
 */
export const whoText = (who: readonly Named[]): string =>
  who.length === 0 ? 'nobody' : who.map((name) => (typeof name === 'string' ? name : `only ${name.only}`)).join(', ')

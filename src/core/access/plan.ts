import type { Baseline } from '../baseline/schema.js'
import { refOf } from '../ref.js'
import { actions, both, fewest, granted, isLevel, type Action, type Named } from './who.js'

/** Each action with those who may. */
export type Access = Readonly<Record<Action, readonly Named[]>>

/** What a baseline says of a forum's access: an action and who, one name or several. */
export type WrittenAccess = Readonly<Partial<Record<Action, string | readonly string[]>>>

/** One name, or several, as a list. */
export const asList = (who: string | readonly string[]): readonly string[] => (typeof who === 'string' ? [who] : who)

/** What is left out: nobody is let in further than what stands in front of it. */
const usual: Readonly<Record<Action, { who: readonly string[]; within?: Action }>> = {
  see: { who: ['everyone'] },
  read: { who: ['everyone'], within: 'see' },
  start: { who: ['members'], within: 'read' },
  reply: { who: ['members'], within: 'read' },
  edit: { who: ['moderators'], within: 'read' },
  remove: { who: ['moderators'], within: 'read' },
  pin: { who: ['moderators'], within: 'read' },
  notice: { who: ['moderators'], within: 'pin' },
  vote: { who: ['members'], within: 'read' },
}
/** What somebody has to be able to do first. */
export const withinOf = (action: Action): Action | undefined => usual[action].within
const posts: readonly Action[] = ['start', 'reply']

/** Who may do what in one forum, with everything that the baseline leaves out. */
export function accessOf(written: WrittenAccess, locked: boolean, groups: readonly string[]): Access {
  const access: Partial<Record<Action, readonly Named[]>> = {}
  for (const action of actions) {
    const own = written[action]
    const { who, within } = usual[action]
    if (own !== undefined) access[action] = fewest(granted(asList(own), groups), groups)
    else {
      const most = locked && posts.includes(action) ? ['moderators'] : who
      access[action] = within ? both(most, access[within] ?? [], groups) : [...most]
    }
  }
  return access as Access
}

/**
 * The names of the groups that a baseline plans.
 * @example groupNames({ groups: [{ name: 'Night watch' }] }) // ['Night watch']
 */
export const groupNames = ({ groups }: Pick<Baseline, 'groups'>): string[] => (groups ?? []).map(({ name }) => name)

/** A forum and who may do what in it. */
export interface ForumAccess {
  /** The ref of the forum. */
  forum: string
  /** `Surveys/Raw counts`. */
  path: string
  access: Access
}

/**
 * The table of a whole baseline: every forum with who may do what.
 * @example accessTable(baseline).map(({ forum, access }) => `${forum}: ${whoText(access.read)} may read`)
 */
export function accessTable(baseline: Pick<Baseline, 'forums' | 'groups'>): ForumAccess[] {
  const groups = groupNames(baseline)
  return (baseline.forums ?? []).flatMap((category) =>
    (category.forums ?? []).map(({ title, access = {}, locked = false }): ForumAccess => {
      const path = `${category.title}/${title}`
      return { forum: refOf('forums', path), path, access: accessOf(access, locked, groups) }
    }),
  )
}

/** A category or forum with what is planned of its access. */
export interface PlannedPlace {
  /** Its ref. */
  forum: string
  access: Readonly<Partial<Access>>
  /** Whether it is closed to those who may not write even there. */
  locked: boolean
  /** Whether the file says so; of a category, whether it does of one of its forums. Else it is what is left out. */
  written: boolean
}

/**
 * Every category with forums, and every forum: a category is seen by whoever sees any of its forums, and nobody writes in it
 * itself.
 * @example plannedPlaces(baseline).map(({ forum }) => forum)
 */
export function plannedPlaces(baseline: Pick<Baseline, 'forums' | 'groups'>): PlannedPlace[] {
  const groups = groupNames(baseline)
  return (baseline.forums ?? []).flatMap(({ title, forums = [] }): PlannedPlace[] => {
    const within = forums.map(({ title: own, access, locked = false }) => ({
      forum: refOf('forums', `${title}/${own}`),
      access: accessOf(access ?? {}, locked, groups),
      locked,
      written: access !== undefined,
    }))
    if (within.length === 0) return []
    const see = fewest(new Set(within.flatMap(({ access }) => [...granted(access.see, groups)])), groups)
    const access = { see, read: see, start: [], reply: [] }
    const written = within.some((one) => one.written)
    return [{ forum: refOf('forums', title), access, locked: false, written }, ...within]
  })
}

/** One set of actions that somebody may do somewhere; a whole file needs only as many as there are different ones. */
export interface PermissionSet {
  /** The actions, in their order. */
  may: Action[]
  /** Where it holds: the ref of a forum, and one of those that access tells apart. */
  cells: { forum: string; subject: string }[]
}

/**
 * Groups a table into the fewest different sets of actions; nobody's empty set is left out.
 * @example permissionSets(accessTable(baseline), subjectsOf(groupNames(baseline))).map(({ name }) => name)
 */
export function permissionSets(
  table: readonly Pick<PlannedPlace, 'forum' | 'access'>[],
  subjects: readonly string[],
): PermissionSet[] {
  const sets = new Map<string, PermissionSet>()
  const groups = subjects.filter((subject) => !isLevel(subject))
  for (const { forum, access } of table) {
    const may = new Map(actions.map((action) => [action, granted(access[action] ?? [], groups)]))
    for (const subject of subjects) {
      const own = actions.filter((action) => may.get(action)?.has(subject))
      if (own.length === 0) continue
      const set = sets.get(own.join()) ?? { may: own, cells: [] }
      set.cells.push({ forum, subject })
      sets.set(own.join(), set)
    }
  }
  return [...sets.values()]
}

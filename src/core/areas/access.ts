import { dequal } from 'dequal'
import { z } from 'zod'
import { accessMistakes } from '../access/mistakes.js'
import { forumPath, onlooker } from '../baseline/values.js'
import { accessTable, groupNames, plannedPlaces } from '../access/plan.js'
import { doorQuestion } from '../access/onlookers.js'
import { accessRows } from '../access/rows.js'
import { actions, fewest, granted, isLevel, whoText, type Action, type Named } from '../access/who.js'
import type { Baseline } from '../baseline/schema.js'
import type { Area, Value } from '../area.js'
import type { EyesRow } from '../looking.js'
import { nameIn, refOf } from '../ref.js'
import { textOf } from '../value.js'

export type AccessItem = {
  /** The ref of the forum, or of a category. */
  forum: string
} & { [A in Action]?: readonly Named[] }

const words: Record<Action, string> = {
  see: 'see it',
  read: 'read in it',
  start: 'start topics',
  reply: 'reply',
  edit: 'edit others’ posts',
  remove: 'remove others’ posts',
  pin: 'pin topics',
  notice: 'make notices',
  vote: 'vote',
}
const namesIn = (value: Value): readonly Named[] => (Array.isArray(value) ? (value as readonly Named[]) : [])

/** A look at who gets in where. */
export const accessCheck = z.strictObject({
  forum: forumPath.describe('A forum of this file, as category/title'),
  as: onlooker,
  refused: z.boolean().describe('Whether they must be turned away'),
})

/** Who may do what in which forum: settled when everybody is in their groups. */
export const access: Area<'access', AccessItem> = {
  name: 'access',
  title: 'access',
  list: 'at least',
  keys: ['forum', ...actions],
  mistakes: accessMistakes,
  ref: ({ forum }) => refOf('access', nameIn(forum)),
  plan: (baseline) =>
    plannedPlaces(baseline).map(({ forum, access, written }) => ({ item: { forum, ...access }, whileNew: !written })),
  links: ['forum'],
  within: 'forum',
  sideOf: 'forum',
  trusts: ({ forum, ...may }, { groups: planned }) => [
    forum,
    ...(planned ?? [])
      .filter(({ name }) => Object.values(may).some((who) => who.includes(name)))
      .map(({ name }) => refOf('groups', name)),
  ],
  beside: withWhoSees,
  opens: (wanted, found) => letsIn(wanted.see, found.see) || letsIn(wanted.read, found.read),
  same: (key, wanted, found) => (key === 'forum' ? wanted === found : sameSet(namesIn(wanted), namesIn(found))),
  call: ({ forum }) => `access to “${nameIn(forum)}”`,
  say: (key) => (key === 'forum' ? 'forum' : words[key]),
  show: (key, value) => (key === 'forum' ? nameIn(textOf(value)) : whoText(namesIn(value))),
  rows: accessRows,
  eyes: {
    actions: ['see', 'read', 'start', 'reply'],
    table: eyesTable,
    questions: ({ checks }) =>
      checks.flatMap((check) =>
        'forum' in check ? [doorQuestion(check.forum, refOf('forums', check.forum), check)] : [],
      ),
    tries: { owner: 'start', others: [{ action: 'reply', onOwners: true }, { action: 'start' }] },
    say: (action) => (action === 'start' ? 'start a topic' : action),
  },
}

/** A category is seen by whoever sees one of its forums, also one that stays as it stands. */
function withWhoSees(item: AccessItem, standing: readonly AccessItem[], baseline: Baseline): AccessItem {
  const inside = standing.filter(({ forum }) => forum.startsWith(`${item.forum}/`))
  if (inside.length === 0) return item
  const groups = groupNames(baseline)
  const see = [item, ...inside].flatMap((one) => [...granted(one.see ?? [], groups)])
  const all = fewest(new Set(see), groups)
  return { ...item, see: all, read: all }
}

/** Whether both name the same, in whatever order. */
const sameSet = (one: readonly Named[], other: readonly Named[]): boolean => dequal(new Set(one), new Set(other))

/** Whether somebody is let in who was not before. */
function letsIn(wanted: readonly Named[] = [], found: readonly Named[] = []): boolean {
  const groups = [...wanted, ...found].filter((name): name is string => typeof name === 'string' && !isLevel(name))
  const before = granted(found, groups)
  return [...granted(wanted, groups)].some((subject) => !before.has(subject))
}

/** What every pair of eyes should find in each forum. */
function eyesTable(items: readonly AccessItem[], baseline: Baseline): EyesRow[] {
  const groups = groupNames(baseline)
  const forums = new Set(accessTable(baseline).map(({ forum }) => forum))
  return items
    .filter(({ forum }) => forums.has(forum))
    .map(({ forum, see = [], read = [], start = [], reply = [] }) => ({
      at: forum,
      may: {
        see: [...granted(see, groups)],
        read: [...granted(read, groups)],
        start: [...granted(start, groups)],
        reply: [...granted(reply, groups)],
      },
    }))
}

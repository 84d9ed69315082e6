import { accessOf, asList, withinOf, type Access } from '../access/plan.js'
import { actions, granted, isLevel, levels, type Action } from '../access/who.js'
import type { Add } from './cross-checks.js'
import { pathText } from './mistakes.js'
import { isGroup, listOf } from './plain-values.js'

type Path = readonly (string | number)[]
type Group = Readonly<Record<string, unknown>>

const groupsIn = (value: unknown): [Group, number][] =>
  listOf(value).flatMap((one, index): [Group, number][] => (isGroup(one) ? [[one, index]] : []))
const namesIn = (list: unknown, key: string): string[] =>
  groupsIn(list).flatMap(([one]) => (typeof one[key] === 'string' ? [one[key]] : []))

/** What parts of a forum's plan say of each other: who is named has to be there, and nobody may do more than get in. */
export function forumMistakes(values: Group, add: Add): void {
  const groups = namesIn(values.groups, 'name')
  const members = namesIn(values.members, 'username')
  const owner = isGroup(values.owner) ? values.owner.username : undefined
  once(values, add)
  for (const [index, name] of groups.entries())
    if (isLevel(name))
      add('contradiction', ['groups', index, 'name'], 'every forum has these by itself', 'a name of its own')
  for (const [member, at] of groupsIn(values.members)) {
    if (member.username === owner)
      add('two-of-one', ['members', at, 'username'], 'this is the owner', 'somebody beside the owner')
    for (const [index, name] of listOf(member.groups).entries())
      if (typeof name === 'string' && !groups.includes(name))
        add(
          'unknown-item',
          ['members', at, 'groups', index],
          'no group of this file has that name',
          'a name that stands under groups',
        )
  }
  const paths = new Set<string>()
  for (const [category, at] of groupsIn(values.forums))
    for (const [forum, index] of groupsIn(category.forums)) {
      paths.add(`${String(category.title)}/${String(forum.title)}`)
      accessMistakes(forum, ['forums', at, 'forums', index], groups, add)
    }
  for (const [check, at] of groupsIn(values.checks)) {
    if (typeof check.forum === 'string' && !paths.has(check.forum))
      add('unknown-item', ['checks', at, 'forum'], 'no forum of this file stands there', 'a forum as category/title')
    const name = typeof check.as === 'string' ? /^member (.+)$/.exec(check.as)?.[1] : undefined
    if (name !== undefined && !members.includes(name))
      add(
        'unknown-item',
        ['checks', at, 'as'],
        'no member of this file has that name',
        'a name that stands under members',
      )
  }
}

/** Items that are known by a name stand in the file once, and what is to go is not wanted as well. */
function once(values: Group, add: Add): void {
  const seen = new Map<string, string>()
  const wanted = new Map<string, Set<string>>([
    ['forums', new Set()],
    ['groups', new Set()],
    ['members', new Set()],
  ])
  const renamed: { was: string; path: Path }[] = []
  const note = (list: string, name: unknown, path: Path) => {
    if (typeof name !== 'string') return
    const key = `${list} ${name.toLowerCase()}`
    const earlier = seen.get(key)
    if (earlier !== undefined) add('two-of-one', path, `the same name stands at ${earlier} already`, 'every name once')
    else seen.set(key, pathText(path.slice(0, -1)))
    wanted.get(list)?.add(name)
  }
  for (const [group, at] of groupsIn(values.groups)) note('groups', group.name, ['groups', at, 'name'])
  for (const [member, at] of groupsIn(values.members)) note('members', member.username, ['members', at, 'username'])
  for (const [category, at] of groupsIn(values.forums)) {
    note('forums', category.title, ['forums', at, 'title'])
    if (typeof category.was === 'string') renamed.push({ was: category.was, path: ['forums', at, 'was'] })
    for (const [forum, index] of groupsIn(category.forums)) {
      const path = ['forums', at, 'forums', index]
      if (typeof forum.title === 'string')
        note('forums', `${String(category.title)}/${forum.title}`, [...path, 'title'])
      if (typeof forum.was === 'string') renamed.push({ was: forum.was, path: [...path, 'was'] })
    }
  }
  for (const { was, path } of renamed)
    if (wanted.get('forums')?.has(was))
      add('contradiction', path, 'something in this file still stands there', 'a place that nothing in this file has')
  const gone = isGroup(values.gone) ? values.gone : {}
  for (const [list, names] of wanted)
    for (const [index, name] of listOf(gone[list]).entries())
      if (typeof name === 'string' && names.has(name))
        add(
          'contradiction',
          ['gone', list, index],
          'this is wanted further down in the same file',
          'either gone or wanted',
        )
}

/** Contradictions within one forum. */
function accessMistakes(forum: Group, path: Path, groups: readonly string[], add: Add): void {
  const written = isGroup(forum.access) ? forum.access : {}
  const named = Object.fromEntries(
    actions.flatMap((action): [Action, string[]][] => {
      const who = written[action]
      if (typeof who !== 'string' && !Array.isArray(who)) return []
      return [[action, asList(who).filter((name) => typeof name === 'string')]]
    }),
  ) as Partial<Record<Action, string[]>>
  const known = [...levels, ...groups]
  let unknown = false
  for (const [action, who] of Object.entries(named))
    for (const [index, name] of who.entries())
      if (!known.includes(name)) {
        unknown = true
        const at = typeof written[action] === 'string' ? [] : [index]
        add(
          'unknown-item',
          [...path, 'access', action, ...at],
          'no group of this file has that name',
          `${levels.join(', ')}, or a name that stands under groups`,
        )
      }
  if (unknown) return
  const access: Access = accessOf(named, forum.locked === true, groups)
  const who = (action: Action) => granted(access[action], groups)
  if (who('see').size === 0)
    add('contradiction', [...path, 'access', 'see'], 'nobody can see this forum', 'administrators at least')
  for (const action of actions) {
    const within = withinOf(action)
    if (named[action] === undefined || within === undefined) continue
    const [extra] = [...who(action)].filter((subject) => !who(within).has(subject))
    if (extra !== undefined)
      add(
        'contradiction',
        [...path, 'access', action],
        `${extra} may ${action} here, but not ${within}`,
        `nobody who may not ${within}`,
      )
    else if (forum.locked === true && (action === 'start' || action === 'reply')) {
      const [writer] = [...who(action)].filter((subject) => subject !== 'moderators' && subject !== 'administrators')
      if (writer !== undefined)
        add(
          'contradiction',
          [...path, 'access', action],
          `the forum is locked, and ${writer} may ${action} in it`,
          'moderators or administrators, or a forum that is not locked',
        )
    }
  }
}

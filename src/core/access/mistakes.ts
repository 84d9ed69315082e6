import type { AddMistake } from '../baseline/mistake.js'
import { groupsIn, isGroup, namesIn, type Path, type PlainGroup } from '../baseline/plain-values.js'
import { accessOf, asList, withinOf, type Access } from './plan.js'
import { actions, granted, levels, type Action } from './who.js'

/** What access says of groups and forums: who is named has to be there, and nobody may do more than get in. */
export function accessMistakes(values: PlainGroup, add: AddMistake): void {
  const groups = namesIn(values.groups, 'name')
  const paths = new Set<string>()
  for (const [category, at] of groupsIn(values.forums))
    for (const [forum, index] of groupsIn(category.forums)) {
      paths.add(`${String(category.title)}/${String(forum.title)}`)
      withinForum(forum, ['forums', at, 'forums', index], groups, add)
    }
  checkMistakes(values, paths, add)
}

function checkMistakes({ checks, members }: PlainGroup, paths: ReadonlySet<string>, add: AddMistake): void {
  for (const [check, at] of groupsIn(checks)) {
    if (typeof check.forum === 'string' && !paths.has(check.forum))
      add('unknown-item', ['checks', at, 'forum'], 'no forum of this file stands there', 'a forum as category/title')
    const name = typeof check.as === 'string' ? /^member (.+)$/.exec(check.as)?.[1] : undefined
    if (name !== undefined && !namesIn(members, 'username').includes(name))
      add(
        'unknown-item',
        ['checks', at, 'as'],
        'no member of this file has that name',
        'a name that stands under members',
      )
  }
}

/** Contradictions within one forum. */
function withinForum(forum: PlainGroup, path: Path, groups: readonly string[], add: AddMistake): void {
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

import type { Baseline } from '../baseline/schema.js'
import { accessTable, groupNames, type Access } from './plan.js'
import { actions, granted, subjectsOf, whoText, type Action } from './who.js'

/** Forums in which everybody may do the same, and what each may there. */
export interface AccessRow {
  /** `Surveys/Raw counts` */
  forums: string[]
  /** For each of those that access tells apart: what they may do beyond the ones whose rights they have anyway. */
  beyond: { who: string; may: Action[] }[]
}

/**
 * A baseline's table forum × action × who, with forums that are alike in one row: what an owner reads.
 * @example accessRows(baseline).map(({ forums }) => forums.join(', '))
 */
export function accessRows(baseline: Pick<Baseline, 'forums' | 'groups'>): AccessRow[] {
  const groups = groupNames(baseline)
  const rows = new Map<string, AccessRow>()
  for (const { path, access } of accessTable(baseline)) {
    const key = actions.map((action) => whoText(access[action])).join(';')
    const row = rows.get(key) ?? { forums: [], beyond: beyondOf(access, groups) }
    row.forums.push(path)
    rows.set(key, row)
  }
  return [...rows.values()]
}

function beyondOf(access: Access, groups: readonly string[]): AccessRow['beyond'] {
  const subjects = subjectsOf(groups)
  const may = (who: string) => actions.filter((action) => granted(access[action], groups).has(who))
  return subjects.map((who, index) => {
    // a group's people are members; moderators have what any group has
    const below = groups.includes(who) ? ['everyone', 'members'] : subjects.slice(0, index)
    const theirs = new Set(below.flatMap(may))
    return { who, may: may(who).filter((action) => !theirs.has(action)) }
  })
}

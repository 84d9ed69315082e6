import { idOf, isLevel, refOf, type IdOf } from 'unpack'
import type { Row, StandInSession } from '../../common/adapter/session.js'

/** The names of groups by what the dashboard calls them: `group 12`. */
export async function namesOf(session: StandInSession): Promise<ReadonlyMap<string, string>> {
  return new Map((await session.rows('groups')).map(({ id, cells }) => [`group ${id}`, cells[0] ?? '']))
}
/** Names in a mark of a row: `members,group 12`. */
export const namedIn = (mark: string | undefined, names: ReadonlyMap<string, string>): string[] =>
  (mark ?? '')
    .split(',')
    .flatMap((who) => (who === '' ? [] : [names.get(who) ?? who]))
    .sort()

/** Names as a step takes them along: groups by what they will have for a number. */
export const asLoad = (names: readonly string[] = []): (IdOf | string)[] =>
  names.map((name) => (isLevel(name) ? name : idOf(refOf('groups', name))))

/** Boxes of a form for a right: each ticked or not. */
export function boxesFor(right: string, who: readonly (string | number)[], groups: readonly Row[]): [string, string][] {
  const named = who.map(String)
  return [
    [`${right} members`, named.includes('members') ? '1' : ''],
    ...groups.map(({ id }): [string, string] => [`${right} group ${id}`, named.includes(String(id)) ? '1' : '']),
  ]
}

import { groupsIn, isGroup, listOf, type Path } from './plain-values.js'

/** A file that a baseline names, with the path of the value that names it. */
export interface NamedFile {
  name: string
  path: Path
  /** What it has to be. */
  is: 'body' | 'picture' | 'archive' | 'links' | 'sample' | 'table'
}

/** A file that a key of a group names, if it does. */
export function fileAt(is: NamedFile['is'], group: unknown, key: string, path: Path): NamedFile[] {
  const name = isGroup(group) ? group[key] : undefined
  return typeof name === 'string' ? [{ name, path: [...path, key], is }] : []
}

/** The files that stand in a list. */
export const filesIn = (is: NamedFile['is'], list: unknown, path: Path): NamedFile[] =>
  listOf(list).flatMap((name, index) => (typeof name === 'string' ? [{ name, path: [...path, index], is }] : []))

/** The files that the items of a list name, and those under them. */
export const filesAt = (is: NamedFile['is'], list: unknown, key: string, path: Path): NamedFile[] =>
  groupsIn(list).flatMap(([item, index]) => [
    ...fileAt(is, item, key, [...path, index]),
    ...filesAt(is, item.under, key, [...path, index, 'under']),
  ])

import { areaNames, areaOf } from '../areas/index.js'
import { groupsIn, isGroup, type Path } from './plain-values.js'

/** A file that a baseline names, with the path of the value that names it. */
export interface NamedFile {
  name: string
  path: Path
  /** What it has to be. */
  is: 'body' | 'picture' | 'archive' | 'links' | 'sample'
}

/** A file that a key of a group names, if it does. */
export function fileAt(is: NamedFile['is'], group: unknown, key: string, path: Path): NamedFile[] {
  const name = isGroup(group) ? group[key] : undefined
  return typeof name === 'string' ? [{ name, path: [...path, key], is }] : []
}

/** The files that the items of a list name, and those under them. */
export const filesAt = (is: NamedFile['is'], list: unknown, key: string, path: Path): NamedFile[] =>
  groupsIn(list).flatMap(([item, index]) => [
    ...fileAt(is, item, key, [...path, index]),
    ...filesAt(is, item.under, key, [...path, index, 'under']),
  ])

/** The files in the plain values of a baseline, whatever else is wrong with it. */
export function namedFiles(values: unknown): NamedFile[] {
  if (!isGroup(values)) return []
  const own = values.samples === 'none' || values.samples === 'shipped'
  return [
    ...areaNames.flatMap((name) => areaOf(name).files?.(values) ?? []),
    ...(own ? [] : fileAt('sample', values, 'samples', [])),
  ]
}

/** The names of those files: all of them, the bodies, and the sample. */
export function filesIn(values: unknown): { all: string[]; bodies: string[]; sample?: string } {
  const files = namedFiles(values)
  const of = (is: NamedFile['is']) => files.filter((file) => file.is === is).map(({ name }) => name)
  return { all: [...new Set(files.map(({ name }) => name))], bodies: of('body'), sample: of('sample')[0] }
}

import { areaNames, areaOf } from '../areas/index.js'
import { fileAt, type NamedFile } from './named-files.js'
import { isGroup } from './plain-values.js'

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

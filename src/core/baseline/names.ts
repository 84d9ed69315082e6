import { isGroup, listOf } from './plain-values.js'

/** A file that a baseline names, with the path of the value that names it. */
export interface NamedFile {
  name: string
  path: (string | number)[]
  /** What it has to be. */
  is: 'body' | 'picture' | 'archive' | 'links' | 'sample'
}

/** The files in the plain values of a baseline, whatever else is wrong with it. */
export function namedFiles(values: unknown): NamedFile[] {
  if (!isGroup(values)) return []
  const found: NamedFile[] = []
  const add = (is: NamedFile['is'], group: unknown, key: string, path: (string | number)[]) => {
    const name = isGroup(group) ? group[key] : undefined
    if (typeof name === 'string') found.push({ name, path: [...path, key], is })
  }
  const bodies = (list: unknown, path: (string | number)[]) => {
    for (const [index, item] of listOf(list).entries()) {
      add('body', item, 'body', [...path, index])
      if (isGroup(item)) bodies(item.under, [...path, index, 'under'])
    }
  }
  add('picture', values.site, 'icon', ['site'])
  bodies(values.pages, ['pages'])
  add('archive', values.theme, 'from', ['theme'])
  for (const [index, addOn] of listOf(values.addOns).entries()) add('archive', addOn, 'from', ['addOns', index])
  if (values.samples !== 'none' && values.samples !== 'shipped') add('sample', values, 'samples', [])
  add('links', values.links, 'from', ['links'])
  bodies(values.posts, ['posts'])
  return found
}

/** The names of those files: all of them, the bodies, and the sample. */
export function filesIn(values: unknown): { all: string[]; bodies: string[]; sample?: string } {
  const files = namedFiles(values)
  const of = (is: NamedFile['is']) => files.filter((file) => file.is === is).map(({ name }) => name)
  return { all: [...new Set(files.map(({ name }) => name))], bodies: of('body'), sample: of('sample')[0] }
}

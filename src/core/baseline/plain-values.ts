/** A group of keys among plain values, as a file that may be wrong anywhere holds them. */
export const isGroup = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value)
/** A list, or an empty one where there is none. */
export const listOf = (value: unknown): unknown[] => (Array.isArray(value) ? value : [])

/** A group of keys, as a file that may be wrong anywhere holds them. */
export type PlainGroup = Readonly<Record<string, unknown>>
/** The way to a value of the file: keys, and places in lists. */
export type Path = readonly (string | number)[]

/** An item in plain values that is known by a name. */
export interface NamedItem {
  name: string
  /** Where the name stands. */
  path: Path
  /** The name it had before. */
  was?: string
  /** It takes over what shipped. */
  replaces?: true
}

/** The groups of a list, with their places in it. */
export const groupsIn = (value: unknown): [PlainGroup, number][] =>
  listOf(value).flatMap((one, index): [PlainGroup, number][] => (isGroup(one) ? [[one, index]] : []))

/** The texts that stand under a key in the groups of a list. */
export const namesIn = (list: unknown, key: string): string[] =>
  groupsIn(list).flatMap(([one]) => (typeof one[key] === 'string' ? [one[key]] : []))

/** The items of a list that are known by a key of theirs. @param nameOf makes the name of an item from its own and that of the one above */
export function namedBy(
  list: unknown,
  key: string,
  path: Path,
  nameOf: (own: string, above: string) => string = (own) => own,
  above = '',
): NamedItem[] {
  return groupsIn(list).flatMap(([item, index]) => {
    const here = [...path, index]
    const own = item[key]
    const name = typeof own === 'string' ? nameOf(own, above) : ''
    const was = typeof item.was !== 'string' ? undefined : item.was.includes('/') ? item.was : nameOf(item.was, above)
    const inner = namedBy(item.under, key, [...here, 'under'], nameOf, name)
    if (name === '') return inner
    return [
      { name, path: [...here, key], was, ...(item.replaces === 'shipped' && { replaces: true as const }) },
      ...inner,
    ]
  })
}

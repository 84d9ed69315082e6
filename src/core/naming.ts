import type { Value } from './area.js'
import { nameIn } from './ref.js'
import { textOf } from './value.js'

/** What people read where code has refs and patterns. */
export interface Names {
  /** What items are called, by their refs: “Home” where code says `pages/home`. */
  of: Readonly<Record<string, string>>
  /** The site's language, in which its dates are told (BCP 47); English where left out. */
  language?: string
}

/** What an item is called: by its title, its name, or else by its ref. */
export function calledBy(ref: string, item: Readonly<Record<string, Value | undefined>>): string {
  const own = item.title ?? item.name ?? item.username
  return own === undefined || own === '' ? nameIn(ref) : textOf(own)
}

/** A value that leads to items, with their names in place of their refs. */
export function named(value: Value, names: Names): Value {
  if (typeof value === 'string') return names.of[value] ?? value
  return Array.isArray(value) ? (value as readonly Value[]).map((one) => named(one, names)) : value
}

import type { Value } from './area.js'
import { nameIn } from './ref.js'
import { textOf } from './value.js'

/** What items are called, by their refs: people read “Home” where code says `pages/home`. */
export type Names = Readonly<Record<string, string>>

/** What an item is called: by its title, its name, or else by its ref. */
export function calledBy(ref: string, item: Readonly<Record<string, Value | undefined>>): string {
  const own = item.title ?? item.name ?? item.username
  return own === undefined || own === '' ? nameIn(ref) : textOf(own)
}

/** A value that leads to items, with their names in place of their refs. */
export function named(value: Value, names: Names): Value {
  if (typeof value === 'string') return names[value] ?? value
  return Array.isArray(value) ? (value as readonly Value[]).map((one) => named(one, names)) : value
}

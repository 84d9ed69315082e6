import type { Value } from './area.js'

/**
 * A value as a text; nothing is ''.
 * @example textOf(undefined) // ''
 */
export const textOf = (value: Value | undefined): string =>
  value === null || value === undefined ? '' : typeof value === 'object' ? JSON.stringify(value) : String(value)

/** A value as an owner reads it, where it may be a yes or a no. */
export const yesOrNo = (value: Value): string => (typeof value === 'boolean' ? (value ? 'yes' : 'no') : textOf(value))

/** A group of keys as flat ones, by their paths: `{ polls: { choices: 8 } }` → `{ 'polls.choices': 8 }`. */
export function flatKeys(group: object, path = ''): { [key: string]: Value } {
  return Object.fromEntries(
    Object.entries(group as { [key: string]: Value | undefined }).flatMap(([key, value]): [string, Value][] =>
      value === undefined
        ? []
        : typeof value === 'object' && value !== null && !Array.isArray(value)
          ? Object.entries(flatKeys(value, `${path}${key}.`))
          : [[`${path}${key}`, value]],
    ),
  )
}

/** The values of an item that are given at all. */
export const given = (item: object): Record<string, Value> =>
  Object.fromEntries(Object.entries(item).filter((entry): entry is [string, Value] => entry[1] !== undefined))

import type { Value } from './area.js'

/** A value as a text; nothing is ''. */
export const textOf = (value: Value | undefined): string =>
  value === null || value === undefined ? '' : typeof value === 'object' ? JSON.stringify(value) : String(value)

/** A value as an owner reads it, where it may be a yes or a no. */
export const yesOrNo = (value: Value): string => (typeof value === 'boolean' ? (value ? 'yes' : 'no') : textOf(value))

/** A group of keys among plain values, as a file that may be wrong anywhere holds them. */
export const isGroup = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value)
/** A list, or an empty one where there is none. */
export const listOf = (value: unknown): unknown[] => (Array.isArray(value) ? value : [])

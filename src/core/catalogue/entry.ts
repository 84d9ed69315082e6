/** What an error says: the exit code of the command line, what happened, and what to do next. */
export interface Entry<D> {
  exit: number
  what: (details: D) => string
  next?: (details: D) => string
}
export const entry = <D>(exit: number, what: (details: D) => string, next?: (details: D) => string): Entry<D> => ({
  exit,
  what,
  next,
})

/** Eight names at the most, and how many more there are. */
export const list = (items: readonly string[]): string =>
  items.slice(0, 8).join(', ') + (items.length > 8 ? ` and ${items.length - 8} more` : '')

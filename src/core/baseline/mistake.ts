import type { Position } from './source.js'

/** One thing that is wrong with a baseline. None of its texts repeats a value of the file. */
export interface Mistake {
  code:
    | 'yaml'
    | 'unknown-key'
    | 'missing-key'
    | 'wrong-type'
    | 'wrong-value'
    | 'password-in-file'
    | 'easy-user-name'
    | 'two-of-one'
    | 'missing-file'
    | 'wrong-file'
    | 'unknown-item'
    | 'contradiction'
  at: Position
  /** The key, as in `site.timezone` or `pages[1].slug`. */
  path: string
  what: string
  expected: string
  example?: string
}

/** Notes a mistake at a path. */
export type AddMistake = (
  code: Mistake['code'],
  path: readonly (string | number)[],
  what: string,
  expected: string,
  example?: string,
) => void

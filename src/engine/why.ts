import type { ErrorCode } from '../core/errors.js'
/** Why something could not be settled: a code for programs, and a text for people. */
export interface Why {
  code: ErrorCode
  text: string
}

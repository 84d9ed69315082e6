import { UnpackError } from '../core/errors.js'
import { NoAnswer } from '../web/failure.js'

/** A look that brought nothing is none; a stop is one. */
export function unlessStopped(error: unknown): undefined {
  if (error instanceof NoAnswer || (error instanceof UnpackError && error.code !== 'stopped')) return undefined
  throw error
}

import { UnpackError } from '../core/errors.js'
import { NoAnswer } from '../web/failure.js'

/** Turns what a connection did into what an owner can be told. */
export function asUnpackError(error: unknown): UnpackError {
  if (error instanceof UnpackError) return error
  if (error instanceof NoAnswer) return UnpackError.of('no-answer', { url: error.url, finding: error.failure.text })
  return UnpackError.of('fault', { kind: error instanceof Error ? error.name : 'unknown' })
}

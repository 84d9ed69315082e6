import { UnpackError } from '../core/errors.js'
import { NoAnswer } from '../web/failure.js'
import { fileTrouble } from '../disk/trouble.js'

/** Turns whatever went wrong into what an owner can be told. */
export function asUnpackError(error: unknown): UnpackError {
  if (error instanceof UnpackError) return error
  if (error instanceof NoAnswer) return UnpackError.of('no-answer', { url: error.url, finding: error.failure.text })
  if (error instanceof Error && error.name === 'AbortError') return UnpackError.of('stopped', {}, { cause: error })
  const trouble = fileTrouble(error, 'a file')
  if (trouble instanceof UnpackError) return trouble
  return UnpackError.of('fault', { kind: error instanceof Error ? error.name : 'unknown' }, { cause: error })
}

/**
 * What went wrong with one look, in words for its check: one that fails must not end the others.
 * @throws the error itself where it is none of a look's, a stop above all
 */
export function lookFailure(error: unknown): string {
  if (error instanceof NoAnswer) return `${error.url}: ${error.failure.text}`
  if (error instanceof UnpackError && error.code !== 'stopped') return error.message
  throw error
}

import { UnpackError } from '../core/errors.js'
import { whyNot } from './why-not.js'

/** Trouble of this machine's own disk as an error that an owner understands; any other stays what it is. */
export function fileTrouble(error: unknown, file: string): unknown {
  const why = whyNot(error)
  const { path } = error as { path?: unknown }
  return why === undefined
    ? error
    : UnpackError.of('folder-trouble', { file: typeof path === 'string' && path !== '' ? path : file, why })
}

import { UnpackError } from '../core/errors.js'
import type { Recognised } from '../core/findings.js'
import type { RunOptions } from './options.js'

/** @throws UnpackError `not-proven` where Unpack is not proven with the version that stands there, or nobody tells which it is */
export function refuseUnproven(
  { name, version, proven }: Pick<Recognised, 'name' | 'version' | 'proven'>,
  { unproven }: Pick<RunOptions, 'unproven'>,
): void {
  if (proven || unproven) return
  throw UnpackError.of('not-proven', { system: name, version: version || 'of a version it does not tell' })
}

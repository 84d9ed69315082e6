import { UnpackError } from '../core/errors.js'
import type { Remark } from '../core/compare.js'
import type { Recognised } from '../core/findings.js'
import type { RunOptions } from './options.js'

/** @throws UnpackError `not-proven` where Unpack is not proven with the version that stands there, or nobody tells which it is */
export function refuseUnproven(
  { name, version, proven, tried }: Pick<Recognised, 'name' | 'version' | 'proven' | 'tried'>,
  { unproven }: Pick<RunOptions, 'unproven'>,
): void {
  if (proven || unproven) return
  throw UnpackError.of('not-proven', { system: name, version: version || 'of a version it does not tell', tried })
}

/** A remark for a version of a proven line that was not tried itself. */
export const versionRemarks = (system: Recognised | undefined): Remark[] =>
  system?.tried === undefined || system.version === ''
    ? []
    : [
        {
          ref: 'site',
          text: `this is ${system.name} ${system.version}. Unpack was tested with ${system.tried}, not with this version`,
        },
      ]

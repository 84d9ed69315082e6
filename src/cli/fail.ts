import pc from 'picocolors'
import type { z } from 'zod'
import type { UnpackError } from '../core/errors.js'
import type { errorDocument } from '../core/report/report.js'
import { wrap } from './show/layout.js'
import { asUnpackError } from '../engine/error-of.js'
import { visible } from '../core/text/visible.js'

/** An error as the document that programs read. */
export function errorJson({ code, message, at, next, lines }: UnpackError): z.output<typeof errorDocument> {
  return {
    error: {
      code,
      message,
      ...(at !== undefined && { at }),
      ...(next !== undefined && { next }),
      ...(lines.length > 0 && { lines: [...lines] }),
    },
  }
}

/** Tells an error and sets the exit code. Nobody ever sees a stack trace; developers set UNPACK_TRACE. */
export function fail(thrown: unknown, json = false): void {
  const exact = asUnpackError(thrown)
  const error = json ? exact : exact.told(visible)
  process.exitCode = error.exit
  if (process.env.UNPACK_TRACE) console.error(thrown)
  if (json) {
    process.stdout.write(`${JSON.stringify(errorJson(error), null, 2)}\n`)
    return
  }
  const tell = (line: string) => process.stderr.write(`${line}\n`)
  tell(`${pc.red(pc.bold('✗'))} ${error.message}`)
  for (const line of error.lines)
    wrap(line, 4).forEach((part, index) => {
      tell(`${index === 0 ? '  ' : '    '}${part}`)
    })
  if (error.next !== undefined) tell(`  ${pc.bold('Next:')} ${error.next}`)
}

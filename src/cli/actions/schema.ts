import { UnpackError } from '../../core/errors.js'
import { schemas } from '../schemas.js'

export function schema(document = 'baseline'): void {
  const found = Object.entries(schemas).find(([name]) => name === document)?.[1]
  if (!found) {
    const next = `There is ${Object.keys(schemas).join(', ')}.`
    throw UnpackError.of('command-line-wrong', { what: `There is no document “${document}”.`, next })
  }
  process.stdout.write(`${JSON.stringify(found(), null, 2)}\n`)
}

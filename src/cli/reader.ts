import { whyNot } from '../disk/why-not.js'

/**
 * A reader that goes away (`settle … | head`) ends nothing: what is under way is carried through. An output that can't be
 * written for another reason, a full disk say, is told at the end.
 */
export function reader(): void {
  for (const [stream, name] of [
    [process.stdout, 'standard output'],
    [process.stderr, 'standard error'],
  ] as const)
    stream.on('error', (error: Error & { code?: string }) => {
      if (error.code === 'EPIPE') return
      if (stream === process.stdout)
        process.stderr.write(`The result can't be written to ${name}: ${whyNot(error) ?? 'it does not take it'}.\n`)
      // behind whatever the command says of itself
      process.once('exit', () => (process.exitCode = 4))
    })
}

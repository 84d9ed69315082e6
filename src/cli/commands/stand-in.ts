import { Argument, Command, InvalidArgumentError, Option } from 'commander'
import { standInBlog, type StandInOptions } from '../../../stand-ins/blog/server/index.js'
import { UnpackError } from '../../core/errors.js'
import { heading, row } from '../show/layout.js'

const portNumber = (text: string): number => {
  if (!/^\d{1,5}$/.test(text) || Number(text) > 65_535) throw new InvalidArgumentError('A port is a number from 0 to 65535.')
  return Number(text)
}
const OWNER = { username: 'boss', password: 'harbour-light-41' }

export const standInCommand = (): Command =>
  new Command('stand-in')
    .addArgument(new Argument('<kind>', 'what it is').choices(['blog']))
    .option('--port <number>', 'where it listens on 127.0.0.1; 0 finds a free one', portNumber, 4101)
    .addOption(new Option('--standing <standing>', 'what stands there').choices(['placeholder', 'first-run', 'fresh', 'in-use']).default('first-run'))
    .option('--base <folder>', 'the folder it lives in', '/')
    .addHelpText('after', `
Examples:
  unpack stand-in blog --port 4101 --standing first-run
  unpack stand-in blog --standing in-use --base /blog/`)
    .action(async (_kind: string, flags: { port: number; standing: StandInOptions['standing']; base: string }) => {
      const base = `/${flags.base}/`.replace(/\/+/g, '/')
      const standIn = standInBlog({ standing: flags.standing, base, owner: OWNER })
      const address = await standIn.listen(flags.port).catch(() => {
        throw UnpackError.of('command-line-wrong', { what: `Port ${flags.port} is taken.`, next: 'Name another with --port, or --port 0 for any.' })
      })
      const setUp = flags.standing === 'fresh' || flags.standing === 'in-use'
      process.stdout.write(`${[heading(address), ...row('standing', flags.standing), ...(setUp ? row('sign in', `${OWNER.username} / ${OWNER.password} at ${address}enter`) : []), ...row('', 'Ctrl-C ends it.')].join('\n')}\n`)
      await new Promise<void>((resolve) => {
        for (const signal of ['SIGINT', 'SIGTERM'] as const) process.once(signal, () => { resolve() })
      })
      await standIn.close()
    })

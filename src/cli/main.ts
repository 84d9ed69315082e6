#!/usr/bin/env node
import { Command, CommanderError } from 'commander'
import { version } from '../package.js'
import { reader } from './reader.js'
import { withAgain } from './options.js'

/** Every command, with what its help says; a command's code is loaded only when it is the one that runs. */
const commands: Record<string, { about: string; load: () => Promise<Command> }> = {
  survey: {
    about: 'look at an address from outside: what stands there, and is it safe to go on? Writes nothing',
    load: async () => (await import('./commands/survey.js')).surveyCommand(),
  },
  compare: {
    about: 'a dry run: show what is not as planned, in the order of settling. Writes nothing',
    load: async () => (await import('./commands/compare.js')).compareCommand(),
  },
  settle: {
    about: 'bring the site to its baseline: shows the differences, asks, settles, reads back, confirms',
    load: async () => (await import('./commands/settle.js')).settleCommand(),
  },
  confirm: {
    about: 'look at the result as a visitor, and at the dashboard as the owner. Writes nothing without --try',
    load: async () => (await import('./commands/confirm.js')).confirmCommand(),
  },
  logins: {
    about: 'the encrypted file that holds user names and passwords',
    load: async () => (await import('./commands/logins.js')).loginsCommand(),
  },
  schema: {
    about: 'print the JSON Schema of the baseline file, or of a document that Unpack writes',
    load: async () => (await import('./commands/schema.js')).schemaCommand(),
  },
  'stand-in': {
    about: 'run a small simulated site on this machine, in memory, to try things on',
    load: async () => (await import('./commands/stand-in.js')).standInCommand(),
  },
  demo: {
    about: 'watch the whole job on a stand-in; needs nothing installed',
    load: async () => (await import('./commands/demo.js')).demoCommand(),
  },
}

/** What stands behind every mistake of the command line. */
const SEE_HELP = 'See --help.'

const program = new Command('unpack')
  .description(
    'Brings a freshly installed blog, forum or content site to the baseline its owner planned, and confirms it.',
  )
  .version(version(), '--version', 'print the version')
  .helpOption('-h, --help', 'print this help')
  .showHelpAfterError(SEE_HELP)
  .exitOverride()
  .addHelpText(
    'after',
    `
Examples:
  unpack demo             watch the whole job on a stand-in blog
  unpack demo forum       the same on a forum, with members and closed rooms
  unpack survey https://repair.example/
  unpack compare baseline.yaml
  unpack settle baseline.yaml
  unpack confirm baseline.yaml

Exit codes:
  0  as planned
  1  differences remain, or a check failed
  2  the baseline or the command line is wrong
  3  refused as unsafe, or locked
  4  the site or the logins file can't be reached, opened or signed in to
  5  stopped part-way: run it again to go on
  130  Ctrl-C`,
  )

reader()
const args = withAgain(process.argv.slice(2))
const [first, second] = args
const wanted = first === 'help' ? second : first
try {
  for (const [name, { about, load }] of Object.entries(commands))
    program.addCommand(
      (name === wanted ? await load() : new Command(name))
        .description(about)
        .exitOverride()
        .showHelpAfterError(SEE_HELP),
    )
  await program.parseAsync(args, { from: 'user' })
} catch (error) {
  const json = process.argv.includes('--json')
  const isOfTheCommandLine = error instanceof CommanderError
  // help was asked for, or people were told already, on standard error
  if (isOfTheCommandLine && (error.exitCode === 0 || !json)) process.exitCode = error.exitCode === 0 ? 0 : 2
  else {
    // what tells errors is loaded where there is one: help comes at once
    const [{ fail }, { UnpackError }] = await Promise.all([import('./fail.js'), import('../core/errors.js')])
    const what = isOfTheCommandLine ? error.message.replace(/^error: /, '') : ''
    fail(isOfTheCommandLine ? UnpackError.of('command-line-wrong', { what }) : error, json)
  }
}

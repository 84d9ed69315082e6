#!/usr/bin/env node
import { Command, CommanderError } from 'commander'
import { compareCommand } from './commands/compare.js'
import { confirmCommand } from './commands/confirm.js'
import { demoCommand } from './commands/demo.js'
import { loginsCommand } from './commands/logins.js'
import { schemaCommand } from './commands/schema.js'
import { settleCommand } from './commands/settle.js'
import { standInCommand } from './commands/stand-in.js'
import { surveyCommand } from './commands/survey.js'
import { fail } from './fail.js'
import { version } from './package.js'

const program = new Command('unpack')
  .description('Brings a freshly installed blog to the baseline its owner planned, and confirms it.')
  .version(version(), '--version', 'print the version')
  .helpOption('-h, --help', 'print this help')
  .showHelpAfterError('See --help.')
  .exitOverride()
  .addHelpText('after', `
Examples:
  unpack demo                          watch the whole job on a stand-in blog
  unpack survey https://repair.example/
  unpack compare baseline.yaml
  unpack settle baseline.yaml
  unpack confirm baseline.yaml

Exit codes: 0 as planned · 1 differences remain or a check failed · 2 baseline or command line wrong
            3 refused as unsafe, or locked · 4 site or logins file can't be reached, opened or signed in to
            5 stopped part-way, run again to go on · 130 Ctrl-C`)

for (const add of [surveyCommand, compareCommand, settleCommand, confirmCommand, loginsCommand, schemaCommand, standInCommand, demoCommand]) {
  program.addCommand(add().exitOverride())
}

try {
  await program.parseAsync()
} catch (error) {
  if (error instanceof CommanderError) process.exitCode = error.exitCode === 0 ? 0 : 2
  else fail(error, process.argv.includes('--json'))
}

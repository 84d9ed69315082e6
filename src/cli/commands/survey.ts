import { Command } from 'commander'
import { lazily } from '../lazily.js'
import { withSystems } from '../options.js'

export const surveyCommand = (): Command =>
  withSystems(new Command('survey'))
    .argument('<address>', 'a whole http or https address')
    .addHelpText(
      'after',
      `
Examples:
  unpack survey http://127.0.0.1:4101/
  unpack survey https://repair.example/blog/ --json`,
    )
    .action(lazily(async () => (await import('../actions/survey.js')).survey))

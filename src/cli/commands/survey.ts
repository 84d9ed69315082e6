import { Command } from 'commander'
import { survey } from '../../engine/survey.js'
import { interrupted, print, systemsFor, withSystems } from '../site-command.js'
import { surveyJson, surveyLines } from '../show/survey.js'

export const surveyCommand = (): Command =>
  withSystems(new Command('survey'))
    .argument('<address>', 'a whole http or https address')
    .addHelpText('after', `
Examples:
  unpack survey http://127.0.0.1:4101/
  unpack survey https://repair.example/blog/ --json`)
    .action(async (address: string, flags: { json?: boolean; with?: string[] }) => {
      const surveyed = await survey(address, { systems: await systemsFor(flags.with), signal: interrupted() })
      print(flags.json, surveyJson(surveyed), () => surveyLines(surveyed))
    })

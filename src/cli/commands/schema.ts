import { Command } from 'commander'
import { lazily } from '../lazily.js'

export const schemaCommand = (): Command =>
  new Command('schema')
    .argument('[document]', 'baseline (where left out), survey, compare, settle, confirm, error, report or journal')
    .addHelpText(
      'after',
      `
Examples:
  unpack schema > baseline.schema.json
  unpack schema settle`,
    )
    .action(lazily(async () => (await import('../actions/schema.js')).schema))

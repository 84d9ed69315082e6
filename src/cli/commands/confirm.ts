import type { Command } from 'commander'
import { lazily } from '../lazily.js'
import { againOption, siteCommand } from '../options.js'

export const confirmCommand = (): Command =>
  againOption(siteCommand('confirm'), 'expect the planned values where people changed them, too')
    .option('--try', "try rules out: a visitor's comment is written, and taken away again")
    .option('--record <folder>', 'where records go (unpack-record)')
    .addHelpText(
      'after',
      `
Examples:
  unpack confirm baseline.yaml
  unpack confirm baseline.yaml --try
  unpack confirm baseline.yaml --json`,
    )
    .action(lazily(async () => (await import('../actions/confirm.js')).confirm))

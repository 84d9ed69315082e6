import type { Command } from 'commander'
import { lazily } from '../lazily.js'
import { siteCommand } from '../options.js'

export const confirmCommand = (): Command =>
  siteCommand('confirm')
    .option('--record <folder>', 'where records go (unpack-record)')
    .addHelpText(
      'after',
      `
Examples:
  unpack confirm baseline.yaml
  unpack confirm baseline.yaml --json`,
    )
    .action(lazily(async () => (await import('../actions/confirm.js')).confirm))

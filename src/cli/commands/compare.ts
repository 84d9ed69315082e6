import type { Command } from 'commander'
import { lazily } from '../lazily.js'
import { siteCommand } from '../options.js'

export const compareCommand = (): Command =>
  siteCommand('compare')
    .option('--again', 'compare texts that were changed since, too')
    .addHelpText(
      'after',
      `
Examples:
  unpack compare baseline.yaml
  unpack compare baseline.yaml --at http://127.0.0.1:4102/ --json`,
    )
    .action(lazily(async () => (await import('../actions/compare.js')).compare))

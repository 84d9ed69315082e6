import type { Command } from 'commander'
import { lazily } from '../lazily.js'
import { againOption, siteCommand } from '../options.js'

export const compareCommand = (): Command =>
  againOption(siteCommand('compare'), 'also show the differences in what people changed or made there')
    .addHelpText(
      'after',
      `
Examples:
  unpack compare baseline.yaml
  unpack compare baseline.yaml --at http://127.0.0.1:4102/ --json`,
    )
    .action(lazily(async () => (await import('../actions/compare.js')).compare))

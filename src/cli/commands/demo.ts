import { Command } from 'commander'
import { lazily } from '../lazily.js'

export const demoCommand = (): Command =>
  new Command('demo')
    .option('--keep', 'leave the site up afterwards, until Ctrl-C')
    .addHelpText(
      'after',
      `
Examples:
  unpack demo
  unpack demo --keep`,
    )
    .action(lazily(async () => (await import('../actions/demo.js')).demo))

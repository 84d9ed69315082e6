import { Argument, Command } from 'commander'
import { lazily } from '../lazily.js'

export const demoCommand = (): Command =>
  new Command('demo')
    .addArgument(
      new Argument('[kind]', 'what sort of site; a blog where left out').choices(['blog', 'forum', 'content', 'shop']),
    )
    .option('--keep', 'leave the site up afterwards, until Ctrl-C')
    .addHelpText(
      'after',
      `
Examples:
  unpack demo
  unpack demo forum
  unpack demo content
  unpack demo shop
  unpack demo forum --keep`,
    )
    .action(lazily(async () => (await import('../actions/demo.js')).demo))

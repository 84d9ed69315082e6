import type { Command } from 'commander'
import { lazily } from '../lazily.js'
import { siteCommand, gather } from '../options.js'

export const settleCommand = (): Command =>
  siteCommand('settle')
    .option('--yes', 'do not ask')
    .option('--in-use', 'go on although the site is in use; touches only what the baseline names')
    .option(
      '--again [ref]',
      'write planned texts over later edits, and take over what somebody made: all, or --again=REF',
      gather,
    )
    .option(
      '--open <ref>',
      'open this to more people although somebody’s items are in it (may be given several times)',
      gather,
    )
    .option('--no-confirm', 'leave out the look at the result')
    .option('--record <folder>', 'where records go (unpack-record)')
    .addHelpText(
      'after',
      `
Examples:
  unpack settle baseline.yaml
  unpack settle baseline.yaml --yes --at http://127.0.0.1:4102/
  unpack settle baseline.yaml --again=pages/news
  UNPACK_PASSPHRASE=… unpack settle baseline.yaml --yes --json`,
    )
    .action(lazily(async () => (await import('../actions/settle.js')).settle))

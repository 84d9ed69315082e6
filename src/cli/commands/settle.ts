import type { Command } from 'commander'
import { lazily } from '../lazily.js'
import { againOption, siteCommand, gather } from '../options.js'

export const settleCommand = (): Command =>
  againOption(siteCommand('settle'), 'write the planned values over what people changed or made there')
    .option('--yes', 'do not ask')
    .option('--in-use', 'go on although the site is in use; touches only what the baseline names')
    .option(
      '--open <ref>',
      'allow REF to be opened to more people although it holds other people’s content (may be given several times)',
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

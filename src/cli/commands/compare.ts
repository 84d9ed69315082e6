import type { Command } from 'commander'
import { compareSite } from '../../engine/compare.js'
import { baselineFile } from '../baseline-file.js'
import { compareJson, compareLines } from '../show/compare.js'
import { print, runOptions, siteCommand, type SiteFlags } from '../site-command.js'

export const compareCommand = (): Command =>
  siteCommand('compare')
    .option('--again', 'compare texts that were changed since, too')
    .addHelpText('after', `
Examples:
  unpack compare baseline.yaml
  unpack compare baseline.yaml --at http://127.0.0.1:4102/ --json`)
    .action(async (file: string, flags: SiteFlags) => {
      const baseline = baselineFile(file, flags.at)
      const compared = await compareSite(baseline, await runOptions(flags))
      print(flags.json, compareJson(compared), () => compareLines(compared, baseline.site.address))
      const { differences, byHand, never } = compared.comparison
      process.exitCode = differences.length + byHand.length + never.length > 0 ? 1 : 0
    })

import type { Command } from 'commander'
import { join } from 'node:path'
import { confirm } from '../../engine/confirm.js'
import { baselineFile } from '../baseline-file.js'
import { checkLines, checkSummary } from '../show/checks.js'
import { print, runOptions, siteCommand, type SiteFlags } from '../site-command.js'

export const confirmCommand = (): Command =>
  siteCommand('confirm')
    .option('--record <folder>', 'where records go (unpack-record)')
    .addHelpText('after', `
Examples:
  unpack confirm baseline.yaml
  unpack confirm baseline.yaml --json`)
    .action(async (file: string, flags: SiteFlags) => {
      const confirmed = await confirm(baselineFile(file, flags.at), await runOptions(flags))
      print(flags.json, confirmed, () => [...checkLines(confirmed.checks), '', checkSummary(confirmed.checks), `Report: ${join(confirmed.record, 'report.html')}`])
      process.exitCode = confirmed.failed > 0 ? 1 : 0
    })

import { compareSite } from '../../engine/compare.js'
import { baselineFile } from '../../disk/baseline-file.js'
import { allVisible } from '../../core/text/visible.js'
import type { SiteFlags } from '../options.js'
import { print } from '../print.js'
import { runOptions } from '../run-options.js'
import { compareJson, compareLines } from '../show/compare.js'

export async function compare(file: string, flags: SiteFlags): Promise<void> {
  const baseline = baselineFile(file, flags.at)
  const compared = await compareSite(baseline, await runOptions(flags))
  print(flags.json, compareJson(compared), () => compareLines(allVisible(compared), baseline.site.address))
  const { differences, byHand, never } = compared.comparison
  process.exitCode = differences.length + byHand.length + never.length > 0 ? 1 : 0
}

import { join } from 'node:path'
import * as engine from '../../engine/confirm.js'
import { baselineFile } from '../../disk/baseline-file.js'
import { allVisible } from '../../core/text/visible.js'
import type { SiteFlags } from '../options.js'
import { print } from '../print.js'
import { runOptions } from '../run-options.js'
import { checkLines, checkSummary } from '../show/checks.js'
import { remarkList } from '../show/compare.js'
import { eyesBlock } from '../show/eyes.js'

export async function confirm(file: string, flags: SiteFlags & { try?: boolean }): Promise<void> {
  const options = { ...(await runOptions(flags)), try: flags.try }
  const confirmed = await engine.confirm(baselineFile(file, flags.at), options)
  const { checks, eyes, failed, notes, record } = allVisible(confirmed)
  print(flags.json, confirmed, () => [
    ...checkLines(checks),
    ...eyesBlock(eyes),
    ...remarkList('to know', notes),
    '',
    checkSummary(checks),
    `Report: ${join(record, 'report.html')}`,
  ])
  process.exitCode = failed > 0 ? 1 : 0
}

import { confirm as ask, isCancel } from '@clack/prompts'
import { accessRows } from '../../core/access/rows.js'
import type { Baseline } from '../../core/baseline/schema.js'
import { UnpackError } from '../../core/errors.js'
import * as engine from '../../engine/settle.js'
import { baselineFile } from '../baseline-file.js'
import type { SiteFlags } from '../options.js'
import { print } from '../print.js'
import { runOptions } from '../run-options.js'
import { differenceBlocks, remarkBlocks } from '../show/compare.js'
import { heading } from '../show/layout.js'
import { isAsPlanned, settleJson, settleLines } from '../show/settle.js'

interface SettleFlags extends SiteFlags {
  yes?: boolean
  inUse?: boolean
  confirm: boolean
}

export async function settle(file: string, flags: SettleFlags): Promise<void> {
  const baseline = baselineFile(file, flags.at)
  const { inUse, confirm } = flags
  const done = await engine.settle(baseline, {
    ...(await runOptions(flags)),
    inUse,
    confirm,
    choose: choose(baseline, flags),
  })
  print(flags.json, settleJson(done), () => settleLines(done))
  process.exitCode = isAsPlanned(done) ? 0 : 1
}

/** Shows the differences and asks; --yes answers, except for removals that were not shown before. */
function choose(
  baseline: Baseline,
  flags: SettleFlags,
): (choice: engine.Choice) => Promise<engine.Choice['differences'] | undefined> {
  return async ({ differences, comparison, expected, late }) => {
    const show = (lines: readonly string[]) => process.stderr.write(`${lines.join('\n')}\n`)
    if (late) show(['', heading('seen only now')])
    show([...differenceBlocks(differences, accessRows(baseline)), ...(late ? [] : remarkBlocks(comparison)), ''])
    if (expected) show(['What the system ships is expected so far; it is compared again after the first-run form.'])
    const sure = late ? differences.filter(({ is }) => is !== 'left over') : differences
    if (flags.yes && sure.length === differences.length) return differences
    if (!process.stdin.isTTY || !process.stderr.isTTY) return flags.yes ? sure : undefined
    const answer = await ask({
      message: `Settle ${differences.length === 1 ? 'this difference' : `these ${differences.length} differences`}?`,
      output: process.stderr,
      initialValue: false,
    })
    if (isCancel(answer)) throw UnpackError.of('stopped', {})
    return answer ? differences : undefined
  }
}

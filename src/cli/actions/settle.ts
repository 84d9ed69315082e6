import { isCancel, text as ask } from '@clack/prompts'
import { accessRows } from '../../core/access/rows.js'
import type { Baseline } from '../../core/baseline/schema.js'
import { UnpackError } from '../../core/errors.js'
import { allVisible } from '../../core/text/visible.js'
import * as engine from '../../engine/settle.js'
import { baselineFile } from '../../disk/baseline-file.js'
import type { SiteFlags } from '../options.js'
import { print } from '../print.js'
import { runOptions } from '../run-options.js'
import { differenceBlocks, remarkBlocks } from '../show/compare.js'
import { heading } from '../show/layout.js'
import { isAsPlanned, settleJson, settleLines } from '../show/settle.js'

interface SettleFlags extends SiteFlags {
  yes?: boolean
  inUse?: boolean
  open?: string[]
  confirm: boolean
}

export async function settle(file: string, flags: SettleFlags): Promise<void> {
  const baseline = baselineFile(file, flags.at)
  const { inUse, confirm, open } = flags
  const done = await engine.settle(baseline, {
    ...(await runOptions(flags)),
    inUse,
    open,
    confirm,
    choose: choose(baseline, flags),
    ...(canAsk() && !flags.yes && { chooseEarly }),
  })
  print(flags.json, settleJson(done), () => settleLines(allVisible(done)))
  process.exitCode = isAsPlanned(done) ? 0 : 1
}

/** Shows the differences and asks; --yes answers, except for removals that were not shown before, and for what opens. */
function choose(
  baseline: Baseline,
  flags: SettleFlags,
): (choice: engine.Choice) => Promise<engine.Choice['differences'] | undefined> {
  return async ({ differences, comparison, expected, late, opens }) => {
    const seen = allVisible(differences)
    if (late) show(['', heading('seen only now')])
    if (opens) show(['', heading('lets more people see what holds somebody’s items')])
    show([
      ...differenceBlocks(seen, allVisible(comparison.names), accessRows(baseline)),
      ...(late || opens ? [] : remarkBlocks(allVisible(comparison))),
      '',
    ])
    if (expected) show(['What the system ships is expected so far; it is compared again after the first-run form.'])
    const sure = opens ? [] : late ? differences.filter(({ is }) => is !== 'left over') : differences
    if (flags.yes && sure.length === differences.length) return differences
    if (!canAsk()) {
      if (opens) show(['Nothing was opened: --open REF says which, one by one.'])
      return opens || flags.yes ? sure : undefined
    }
    if (await saysYes(opens ? openQuestion(differences.length) : settleQuestion(differences.length))) return differences
    return opens ? [] : undefined
  }
}

/** Shows the things that came in the first minutes, and asks whether to remove them. */
async function chooseEarly({ differences, comparison }: engine.Choice): Promise<engine.Choice['differences']> {
  show(['', heading('came in the site’s first minutes, with the system or from your host')])
  show([...differenceBlocks(allVisible(differences), allVisible(comparison.names), []), ''])
  return (await saysYes(earlyQuestion(differences.length))) ? differences : []
}

const show = (lines: readonly string[]): void => void process.stderr.write(`${lines.join('\n')}\n`)
const canAsk = (): boolean => process.stdin.isTTY && process.stderr.isTTY
const earlyQuestion = (count: number): string =>
  count === 1
    ? 'This came with it too, as far as can be seen. Remove it as well?'
    : 'These came with it too, as far as can be seen. Remove them as well?'
const openQuestion = (count: number): string => `Open ${count === 1 ? 'it' : 'them'}?`
const settleQuestion = (count: number): string =>
  `Settle ${count === 1 ? 'this difference' : `these ${count} differences`}?`

/** A whole word and Enter: no single key, nor a passphrase that was meant for another question, is a yes. */
async function saysYes(question: string): Promise<boolean> {
  const answer = await ask({ message: `${question} Type yes, or anything else for no.`, output: process.stderr })
  if (isCancel(answer)) throw UnpackError.of('stopped', {})
  return /^\s*yes\s*$/i.test(answer)
}

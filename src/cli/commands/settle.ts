import { confirm as ask, isCancel } from '@clack/prompts'
import type { Command } from 'commander'
import { join } from 'node:path'
import type { z } from 'zod'
import type { settleDocument } from '../../core/report/report.js'
import { UnpackError } from '../../core/errors.js'
import { differenceLine } from '../../engine/account.js'
import { settle, type Choice, type Settled } from '../../engine/settle.js'
import { baselineFile } from '../baseline-file.js'
import { checkLines, checkSummary } from '../show/checks.js'
import { differenceBlocks, remarkBlocks } from '../show/compare.js'
import { bad, good, heading, row } from '../show/layout.js'
import { print, runOptions, siteCommand, type SiteFlags } from '../site-command.js'

interface SettleFlags extends SiteFlags {
  yes?: boolean
  inUse?: boolean
  confirm: boolean
}

export const settleCommand = (): Command =>
  siteCommand('settle')
    .option('--yes', 'do not ask')
    .option('--in-use', 'go on although the site is in use; touches only what the baseline names')
    .option('--again', 'write planned texts over later edits')
    .option('--no-confirm', 'leave out the look at the result')
    .option('--record <folder>', 'where records go (unpack-record)')
    .addHelpText('after', `
Examples:
  unpack settle baseline.yaml
  unpack settle baseline.yaml --yes --at http://127.0.0.1:4102/
  UNPACK_PASSPHRASE=… unpack settle baseline.yaml --yes --json`)
    .action(async (file: string, flags: SettleFlags) => {
      const baseline = baselineFile(file, flags.at)
      const done = await settle(baseline, { ...(await runOptions(flags)), inUse: flags.inUse, confirm: flags.confirm, choose: choose(flags) })
      print(flags.json, settleJson(done), () => settleLines(done, !flags.json))
      process.exitCode = isAsPlanned(done) ? 0 : 1
    })

/** Shows the differences and asks; --yes answers, except for removals that were not shown before. */
function choose(flags: SettleFlags): (choice: Choice) => Promise<Choice['differences'] | undefined> {
  return async ({ differences, comparison, expected, late }) => {
    const show = (lines: readonly string[]) => process.stderr.write(`${lines.join('\n')}\n`)
    if (late) show(['', heading('seen only now')])
    show([...differenceBlocks(differences), ...(late ? [] : remarkBlocks(comparison)), ''])
    if (expected) show(['What the system ships is expected so far; it is compared again after the first-run form.'])
    const sure = late ? differences.filter(({ is }) => is !== 'left over') : differences
    if (flags.yes && sure.length === differences.length) return differences
    if (!process.stdin.isTTY || !process.stderr.isTTY) return flags.yes ? sure : undefined
    const answer = await ask({ message: `Settle ${differences.length === 1 ? 'this difference' : `these ${differences.length} differences`}?`, output: process.stderr, initialValue: false })
    if (isCancel(answer)) throw UnpackError.of('stopped', {})
    return answer ? differences : undefined
  }
}

export const isAsPlanned = ({ failed, open, comparison, checks }: Settled): boolean =>
  failed.length === 0 && open.length === 0 && comparison.byHand.length === 0 && comparison.never.length === 0 && checks.every(({ ok }) => ok)

export const settleJson = ({ settled, failed, comparison, writes, requests, checks, record }: Settled): z.output<typeof settleDocument> => ({
  settled, failed, kept: comparison.kept, writes, checks, record: record ?? null,
  differences: comparison.differences.map(differenceLine), byHand: comparison.byHand, never: comparison.never, notes: comparison.notes, requests,
})

export function settleLines(done: Settled, withRemarks = true): string[] {
  const { settled, failed, open, comparison, checks, record, writes, requests } = done
  if (record === undefined) return [`Nothing was written; ${open.length === 1 ? 'one difference is' : `${open.length} differences are`} open. With --yes, settle does not ask.`]
  return [
    ...(settled.length > 0 ? ['', heading('settled'), ...row('', settled.join(', '), 0)] : []),
    ...(failed.length > 0 ? ['', heading('failed'), ...failed.flatMap(({ ref, text }) => row('✗', `${ref}: ${text}`, 3, bad))] : []),
    ...(withRemarks ? remarkBlocks({ ...comparison, others: [] }) : []),
    ...checkLines(checks),
    '',
    failed.length + open.length === 0 ? good(settled.length === 0 ? 'Nothing to settle: it is as planned.' : 'Settled, and read back as planned.') : bad(`${failed.length + open.length} differences remain.`),
    ...(checks.length > 0 ? [checkSummary(checks)] : []),
    `${writes} writes in ${requests} requests.`,
    `Report: ${join(record, 'report.html')}`,
  ]
}

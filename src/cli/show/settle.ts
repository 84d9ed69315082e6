import { join } from 'node:path'
import type { z } from 'zod'
import { tally } from '../../core/report/outcome.js'
import type { settleDocument } from '../../core/report/report.js'
import { differenceLine } from '../../engine/report-of.js'
import type { Settled } from '../../engine/settle.js'
import { checkLines, checkSummary } from './checks.js'
import { eyesBlock } from './eyes.js'
import { remarkBlocks } from './compare.js'
import { bad, good, heading, row } from './layout.js'

export const isAsPlanned = ({ failed, open, comparison, checks }: Settled): boolean =>
  failed.length === 0 &&
  open.length === 0 &&
  comparison.byHand.length === 0 &&
  comparison.never.length === 0 &&
  tally(checks).failed === 0

export const settleJson = ({
  settled,
  failed,
  comparison,
  writes,
  requests,
  checks,
  eyes,
  record,
}: Settled): z.output<typeof settleDocument> => ({
  settled,
  failed,
  kept: comparison.kept,
  writes,
  checks,
  eyes,
  record: record ?? null,
  differences: comparison.differences.map(differenceLine),
  byHand: comparison.byHand,
  never: comparison.never,
  notes: comparison.notes,
  requests,
})

export function settleLines(done: Settled): string[] {
  const { settled, failed, open, comparison, checks, eyes, record, writes, requests } = done
  if (record === undefined)
    return [
      `Nothing was written; ${open.length === 1 ? 'one difference is' : `${open.length} differences are`} open. With --yes, settle does not ask.`,
    ]
  return [
    ...(settled.length > 0 ? ['', heading('settled'), ...row('', settled.join(', '), 0)] : []),
    ...(failed.length > 0
      ? ['', heading('failed'), ...failed.flatMap(({ ref, text }) => row('✗', `${ref}: ${text}`, 3, bad))]
      : []),
    ...remarkBlocks({ ...comparison, others: [] }),
    ...checkLines(checks),
    ...eyesBlock(eyes),
    '',
    failed.length + open.length === 0
      ? good(settled.length === 0 ? 'Nothing to settle: it is as planned.' : 'Settled, and read back as planned.')
      : bad(`${failed.length + open.length} differences remain.`),
    ...(checks.length > 0 ? [checkSummary(checks)] : []),
    `${writes} writes in ${requests} requests.`,
    `Report: ${join(record, 'report.html')}`,
  ]
}

import { join } from 'node:path'
import type { z } from 'zod'
import { tally } from '../../core/report/outcome.js'
import type { settleDocument } from '../../core/report/report.js'
import { differenceLine } from '../../engine/report-of.js'
import { count } from '../../core/text/count.js'
import { calledIn } from '../../core/words.js'
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
  site,
}: Settled): z.output<typeof settleDocument> => ({
  settled,
  failed,
  kept: comparison.kept,
  extras: comparison.extras,
  writes,
  checks,
  eyes,
  record: record ?? null,
  differences: comparison.differences.map((one) => differenceLine(one, comparison.names)),
  byHand: comparison.byHand,
  never: comparison.never,
  notes: comparison.notes,
  requests,
  site,
})

/** @param where false: without telling where everything is to be found */
export function settleLines(done: Settled, where = true): string[] {
  const { settled, failed, open, comparison, checks, eyes, record, writes, requests } = done
  if (record === undefined)
    return [
      `Nothing was written; ${count(open.length, 'difference is', 'differences are')} open. With --yes, settle does not ask.`,
    ]
  return [
    ...settledBlock(done),
    ...(failed.length > 0
      ? ['', heading('failed'), ...failed.flatMap(({ ref, text }) => row('✗', `${ref}: ${text}`, 3, bad))]
      : []),
    ...remarkBlocks({ ...comparison, others: [] }),
    ...checkLines(checks),
    ...eyesBlock(eyes),
    '',
    failed.length + open.length === 0
      ? good(summaryOf(settled.length, comparison.theirKeys.length))
      : bad(`${count(failed.length + open.length, 'difference remains', 'differences remain')}.`),
    ...(checks.length > 0 ? [checkSummary(checks)] : []),
    `${count(writes, 'write')} in ${count(requests, 'request')}.`,
    ...(where ? whereBlock(done) : []),
  ]
}

/** Where everything is to be found, and what comes next. */
function whereBlock({ site, record = '', failed, open }: Settled): string[] {
  const remains = failed.length + open.length > 0
  return [
    '',
    heading('where to go on'),
    ...row('sign in', `${site.dashboard}, as ${site.username}`),
    ...row('password', `unpack logins show ${site.address} ${site.username}`),
    ...row('report', join(record, 'report.html')),
    ...row(
      'next',
      remains
        ? 'look at what failed; the same command again goes on where this one stopped'
        : 'look around on the site; unpack confirm tells later whether all still is as planned',
    ),
  ]
}

const kinds = { missing: 'made', different: 'changed', 'left over': 'removed' } as const

/** What was settled, by what was done, under the names that people know. */
function settledBlock({ settled, comparison }: Settled): string[] {
  if (settled.length === 0) return []
  const rows = (['missing', 'different', 'left over'] as const).flatMap((is) => {
    const names = comparison.differences.filter((one) => one.is === is && settled.includes(one.ref)).map(calledIn)
    return names.length === 0 ? [] : row(kinds[is], [...new Set(names)].join(', '))
  })
  return ['', heading('settled'), ...rows]
}

/** How a run ended on which nothing is left: what people changed is not as planned, and stays. */
const summaryOf = (settled: number, kept: number): string => {
  if (kept === 0) return settled === 0 ? 'Nothing to settle: it is as planned.' : 'Settled, and read back as planned.'
  const but = `${count(kept, 'value stays', 'values stay')} as someone changed ${kept === 1 ? 'it' : 'them'}`
  return settled === 0 ? `Nothing to settle; ${but}.` : `Settled, and read back as planned; ${but}.`
}

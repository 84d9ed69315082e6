import type { Baseline } from '../core/baseline/schema.js'
import { UnpackError } from '../core/errors.js'
import { tally, type Tally } from '../core/report/outcome.js'
import type { Remark } from '../core/compare.js'
import type { Check, EyesCell } from '../core/report/report.js'
import { lookAtAll } from './look.js'
import type { RunOptions } from './options.js'
import { call } from './call.js'
import { Run } from './run.js'
import { blankReport } from './report-of.js'
import { tryOut } from './try-out.js'

/** What {@link confirm} takes beside a baseline. */
export interface ConfirmOptions extends RunOptions {
  /** Try rules out where looking is not enough: a visitor's comment is written and taken away again. */
  try?: boolean
}

/** What was looked at, how it was found, and where the record lies. */
export interface Confirmed extends Tally {
  checks: Check[]
  /** What each may do where, as visitor, members and owner found it. */
  eyes: EyesCell[]
  /** What is worth knowing of the public site beside the plan; none of it fails. */
  notes: Remark[]
  /** The record's folder. */
  record: string
}

/**
 * Looks at a settled site the way its owner would, as a visitor and at the dashboard. Writes nothing, unless told to try rules out.
 * @param baseline how the site should be
 * @returns every check, and where the report lies
 * @throws UnpackError where the site can't be reached or must not be signed in to
 * @example (await confirm(baseline, { logins })).failed // how many checks failed; `checks` tells each
 */
export const confirm = (baseline: Baseline, options: ConfirmOptions): Promise<Confirmed> =>
  call(async (guard) => confirmOn(await Run.begin(baseline, options, guard), options))

async function confirmOn(run: Run, options: ConfirmOptions): Promise<Confirmed> {
  const started = new Date()
  try {
    // trying writes: no other run may be at work
    if (options.try) await run.lock()
    if (run.site.atFirstRun) throw UnpackError.of('first-run-waits', { address: run.site.home })
    // nothing is kept of a run that can't begin
    await run.logins.owners()
    const record = run.record(started)
    record.journal({ event: 'opened' })
    const tried = options.try ? await tryOut(run, record) : []
    const { checks: looked, eyes, remarks, changed } = await lookAtAll(run, record)
    const notes = [...remarks, ...changed]
    const checks = [...looked, ...tried]
    for (const check of tried) run.account.tell({ is: 'check', check })
    record.journal({ event: 'closed', ok: tally(checks).failed === 0 })
    record.report({
      ...blankReport(run, 'confirm', started),
      checks,
      eyes,
      notes,
      ended: new Date().toISOString(),
      requests: run.account.traffic.requests,
      writes: run.account.traffic.writes,
    })
    run.account.endLog()
    return {
      checks,
      eyes,
      notes,
      ...tally(checks),
      record: record.folder,
    }
  } finally {
    await run.end()
  }
}

import type { Comparison } from '../core/compare.js'
import { UnpackError } from '../core/errors.js'
import type { SignedIn } from '../systems/session.js'
import { NoAnswer } from '../web/failure.js'
import { carryOut } from './carry-out.js'
import { loginOfOwner } from './owner-login.js'
import type { RunRecord } from './keeping.js'
import type { Run } from './run.js'
import { Agenda } from './settling/agenda.js'

/**
 * Fills the first-run form and signs in. The password is on disk before the form is sent; when the answer is lost, the
 * stored login tells whether the site is ours.
 */
export async function fillFirstRun(run: Run, expected: Comparison, record: RunRecord): Promise<SignedIn> {
  const { baseline } = run
  const { system, home } = run.site
  const missing = (system.firstRunNeeds ?? []).filter((key) => {
    const [group = '', name = ''] = key.split('.')
    return (
      ((baseline as unknown as { [group: string]: { [name: string]: unknown } | undefined })[group] ?? {})[name] ===
      undefined
    )
  })
  if (missing.length > 0) throw UnpackError.of('first-run-needs', { keys: missing })
  const session = await run.logins.atFirstRun()
  await loginOfOwner(run)

  run.phase('first run')
  const asks: readonly string[] = ['site', 'owner', ...(system.firstRunAsks ?? [])]
  const ofForm = expected.differences.filter(({ area }) => asks.includes(area))
  const agenda = new Agenda(expected, {}, ofForm)
  try {
    await carryOut(run, session, ofForm, { record, inventory: {}, agenda }, true)
  } catch (error) {
    if (!(error instanceof NoAnswer)) throw error
    record.journal({ event: 'lost', why: error.failure.text })
    const owner = await run.logins.signIn().catch(() => undefined)
    if (owner) return owner
    throw UnpackError.of('lost-answer', { url: error.url, finding: error.failure.text })
  }
  const refused = agenda.firstWhy
  if (refused) throw UnpackError.of('first-run-refused', { address: home, why: refused.text })
  return run.logins.signIn()
}

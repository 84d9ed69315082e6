import type { Check } from '../core/report/report.js'
import { UnpackError } from '../core/errors.js'
import type { SignedIn } from '../systems/system.js'
import type { Record } from './record.js'
import type { Run } from './run.js'
import { visits } from './visits.js'

/**
 * Looks at the result as visitor and as owner, in sessions of their own, and compares once more. Writes nothing.
 * @param oldPlaces addresses at which something stood that was to go
 */
export async function lookAtAll(run: Run, record: Record, oldPlaces: readonly string[] = []): Promise<Check[]> {
  run.phase('confirm')
  const checks: Check[] = []
  const add = (...more: Check[]) => {
    for (const check of more) {
      checks.push(check)
      run.tell({ is: 'check', check })
    }
  }
  let session: SignedIn
  try {
    session = await run.signIn()
    add({ name: 'the owner can sign in', as: 'owner', ok: true, detail: run.baseline.owner.username })
  } catch (error) {
    if (!(error instanceof UnpackError) || error.code !== 'login-refused') throw error
    add({
      name: 'the owner can sign in',
      as: 'owner',
      ok: false,
      detail: `${error.message} What needs the dashboard was not looked at.`,
    })
    add(...(await visits(run, run.compare(run.expected()), undefined, oldPlaces)))
    return checks
  }
  const inventory = await run.takeStock(session)
  const comparison = run.compare(inventory)
  const [public_, screens] = await Promise.all([
    visits(run, comparison, inventory, oldPlaces),
    screensOf(run, session, record),
  ])
  add(...public_, ...screens)
  const open = [
    ...comparison.differences.map(({ ref }) => ref as string),
    ...comparison.byHand.map(({ ref }) => `${ref} (by hand)`),
    ...comparison.never.map(({ ref }) => `${ref} (never)`),
  ]
  add({
    name: 'nothing is left to settle',
    as: 'owner',
    ok: open.length === 0,
    detail: open.length === 0 ? 'compared again' : `not as planned: ${open.slice(0, 8).join(', ')}`,
  })
  add(await signOut(run, session))
  return checks
}

async function screensOf(run: Run, session: SignedIn, record: Record): Promise<Check[]> {
  return Promise.all(
    run.system.screens.map(async (screen): Promise<Check> => {
      const answer = await session.visitor.get(screen.place)
      const trouble = run.system.trouble(answer, screen)
      if (trouble !== undefined) record.keepPage(screen.name, answer.text)
      return {
        name: `the dashboard's screen “${screen.name}” opens`,
        as: 'owner',
        ok: trouble === undefined,
        detail: trouble === undefined ? answer.url : `${answer.url}: ${trouble}`,
      }
    }),
  )
}

async function signOut(run: Run, session: SignedIn): Promise<Check> {
  await session.signOut().catch(() => undefined)
  const [first] = run.system.screens
  const answer = first && (await session.visitor.get(first.place))
  const out = !answer || !first || run.system.trouble(answer, first) !== undefined
  return {
    name: 'the owner can sign out',
    as: 'owner',
    ok: out,
    detail: out ? 'the dashboard asks to sign in again' : 'the dashboard still opens',
  }
}

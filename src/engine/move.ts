import { parseAddress } from '../core/address.js'
import type { AnyDifference } from '../core/areas/index.js'
import { UnpackError } from '../core/errors.js'
import type { SignedIn } from '../systems/system.js'
import { NoAnswer } from '../web/failure.js'
import { carryOut } from './carry-out.js'
import type { Record } from './record.js'
import type { Run } from './run.js'
import type { ReadBack } from './settling/read-back.js'

/**
 * Changes the site's own address, last of all, where it is reached at another one today: the login moves along first, so
 * that no moment is without one. What answers at the new address is then signed in to and read.
 * @returns the run and session to go on with; undefined where the new address does not answer yet
 */
export async function move(
  run: Run,
  session: SignedIn,
  chosen: readonly AnyDifference[],
  record: Record,
  readBack: ReadBack,
): Promise<{ run: Run; session: SignedIn } | undefined> {
  const step = chosen.find(({ area }) => area === 'address')
  const to = parseAddress(run.baseline.site.address)
  if (!step || !to) return { run, session }
  const { logins } = run.options
  const there = await run.movedTo(to)
  const own = await logins.find(run.home, session.login.username)
  if (own) await logins.put(there.home, own.username, own.password)
  run.phase('move', there.home)
  await carryOut(run, session, [step], { record, inventory: {}, why: readBack.why, copies: readBack.copies })
  if (readBack.why.has(step.ref)) return { run, session }
  try {
    const after = await there.signIn()
    readBack.left = there.compare(await there.takeStock(after))
    record.journal({ event: 'read back', ref: step.ref, is: step.is, ok: true })
    return { run: there, session: after }
  } catch (error) {
    if (!(error instanceof NoAnswer || (error instanceof UnpackError && error.code === 'login-refused'))) throw error
    const text = `the site's own address is ${there.home} now, which does not lead to it yet: confirm it when it does`
    readBack.left = {
      ...readBack.left,
      differences: readBack.left.differences.filter(({ area }) => area !== 'address'),
      byHand: [...readBack.left.byHand, { ref: 'site.address', text }],
    }
    return undefined
  }
}

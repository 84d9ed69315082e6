import { randomBytes } from 'node:crypto'
import { Secret } from '../core/secret.js'
import { areaNames } from '../core/areas/index.js'
import { onSystem } from '../systems/abilities.js'
import type { SignedIn } from '../systems/session.js'
import type { Work } from './work.js'
import type { Run } from './run.js'

/** Milliseconds for taking away what was written, where the run was stopped meanwhile. */
const LAST = 20_000

/** What nothing else bears. */
export const newMark = (): string => `unpack-${randomBytes(6).toString('hex')}`

/**
 * Tries something with a mark in what is written. The mark is remembered before, and forgotten when everything with it was
 * taken away again, which a stop of the run does not keep from happening.
 */
export async function withMark<T>(work: Work, ref: string, act: (mark: string) => Promise<T>): Promise<T> {
  const { run, session, record } = work
  const mark = newMark()
  await run.state.tries(mark)
  record.journal({ event: 'begun', carrier: 'trial', ref, wanted: mark })
  try {
    return await act(mark)
  } finally {
    await takeAway(run, session, mark)
    record.journal({ event: 'done', carrier: 'trial', ref, why: 'what was written was taken away again' })
  }
}

/** Takes away what an earlier trial has left behind. */
export async function takeAwayLeft({ run, session, record }: Work): Promise<void> {
  for (const mark of run.state.trials) {
    await takeAway(run, session, mark)
    record.journal({ event: 'done', carrier: 'trial', why: `what an earlier trial had left (${mark}) was taken away` })
  }
}

async function takeAway(run: Run, session: SignedIn, mark: string): Promise<void> {
  const all = async (owner: SignedIn) => {
    for (const area of areaNames) {
      const here = onSystem(run.site.system, area)
      await here?.takeAway?.(owner, mark)
      const stays = (await here?.makeVoid?.(owner, mark, (text) => run.account.guard.add(new Secret(text)))) ?? []
      await run.state.own(stays.map((id) => ({ area, key: String(id) })))
    }
  }
  if (run.options.signal?.aborted) {
    const own = await run.logins.signIn(AbortSignal.timeout(LAST))
    await all(own)
    await own.signOut().catch(() => undefined)
  } else await all(session)
  await run.state.tried(mark)
}

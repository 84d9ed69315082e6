import type { Baseline, RunOptions } from 'unpack'
import { Run } from '../../src/engine/run.js'

/** The owner at the dashboard, for making things that no baseline makes. */
export async function asOwner<S, T>(
  baseline: Baseline,
  options: RunOptions,
  act: (session: S) => Promise<T>,
): Promise<T> {
  const run = await Run.begin(baseline, options)
  try {
    return await act((await run.logins.signIn()) as S)
  } finally {
    await run.end()
  }
}

import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { mock } from 'node:test'
import fc from 'fast-check'
import { calm, Life } from './life.js'
import type { Site } from './site.js'
import { steps } from './steps.js'

/** The day on which every life begins: a seed repeats it whatever the date is. */
export const FIRST_DAY = Date.parse('2026-03-05T09:00:00.000Z')

/** What came of some lives. */
export interface Lived {
  /** How many were lived, up to the first that went wrong. */
  lives: number
  /** That one, shrunk as far as there was time: its steps, what happened, and what was wrong. */
  wrong?: { steps: string; story: string }
}

/**
 * Lives of one kind of site; they end at the first that goes wrong.
 * @param until milliseconds, shrinking included
 */
export async function live(make: () => Site, seed: number, most: number, until = Infinity): Promise<Lived> {
  const root = mkdtempSync(join(tmpdir(), 'unpack-lives-'))
  const property = fc.asyncProperty(
    fc.nat(1023),
    fc.boolean(),
    fc.boolean(),
    fc.boolean(),
    steps,
    async (planned, isShippedRemoved, isSettled, isLivedIn, commands) => {
      mock.timers.reset()
      mock.timers.enable({ apis: ['Date'], now: FIRST_DAY })
      const life = await Life.begin(make, root, planned)
      life.isShippedRemoved = isShippedRemoved
      try {
        if (isSettled) await life.settle(calm)
        if (isLivedIn) life.moveIn()
        await fc.asyncModelRun(() => ({ model: {}, real: life }), commands)
      } finally {
        await life.end()
      }
    },
  )
  try {
    const { failed, numRuns, counterexample, errorInstance } = await fc.check(property, {
      ...{ seed, numRuns: most },
      ...(until !== Infinity && { interruptAfterTimeLimit: until }),
    })
    if (!failed || counterexample === null) return { lives: numRuns }
    const story = errorInstance instanceof Error ? errorInstance.message : String(errorInstance)
    return { lives: numRuns, wrong: { steps: fc.stringify(counterexample[4]), story } }
  } finally {
    mock.timers.reset()
    rmSync(root, { recursive: true, force: true })
  }
}

import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { mock } from 'node:test'
import fc from 'fast-check'
import { Life } from './life.js'
import type { Site } from './site.js'
import { steps } from './steps.js'

/** The day on which every life begins: a seed repeats it whatever the date is. */
const FIRST_DAY = Date.parse('2026-03-05T09:00:00.000Z')

/** What came of some lives: how many, and of the first that went wrong its steps, shrunk, and what was wrong. */
export interface Lived {
  lives: number
  /** `undefined`: nothing went wrong. */
  wrong?: { afterLives: number; seed: number; path: string; steps: string; story: string }
}

/** Lives of one kind of site from a seed on; they end at the first that goes wrong. @param until milliseconds */
export async function live(
  make: () => Site,
  seed: number,
  most: number,
  { until = Infinity, shrinks = true } = {},
): Promise<Lived> {
  const root = mkdtempSync(join(tmpdir(), 'unpack-lives-'))
  let lives = 0
  const property = fc.asyncProperty(steps, async (commands) => {
    lives += 1
    mock.timers.reset()
    mock.timers.enable({ apis: ['Date'], now: FIRST_DAY })
    const life = await Life.begin(make, root)
    try {
      await fc.asyncModelRun(() => ({ model: {}, real: life }), commands)
    } finally {
      await life.end()
    }
  })
  try {
    const { failed, numRuns, counterexample, counterexamplePath, errorInstance } = await fc.check(property, {
      ...{ seed, numRuns: most, endOnFailure: !shrinks },
      ...(until !== Infinity && { interruptAfterTimeLimit: until }),
    })
    if (!failed || counterexample === null) return { lives: numRuns }
    const story = errorInstance instanceof Error ? errorInstance.message : String(errorInstance)
    const wrong = { afterLives: numRuns, seed, path: counterexamplePath ?? '', steps: String(counterexample[0]), story }
    return { lives, wrong }
  } finally {
    mock.timers.reset()
    rmSync(root, { recursive: true, force: true })
  }
}

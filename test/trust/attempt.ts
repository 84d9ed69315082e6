import { setTimeout as wait } from 'node:timers/promises'
import { itemDigest, settle, UnpackError, type Settled } from 'unpack'
import { count, type Tally } from './tally.js'
import type { World } from './world.js'
import { CALM } from './world.js'

/** Milliseconds after which a run counts as hung. */
const HUNG = 120_000

export type Came = { done: Settled } | { error: UnpackError } | 'hung' | 'crashed'

/** Settles once; whatever is thrown must be told in an owner's words. */
export async function attempt(world: World, tally: Tally, what: string, more: object = {}): Promise<Came> {
  tally.runs += 1
  const stop = new AbortController()
  const run = settle(world.plan, { ...world.options, ...more }).then(
    (done): Came => ({ done }),
    (error: unknown): Came => {
      if (error instanceof UnpackError && error.code !== 'fault') return { error }
      count(tally, 'crashed', `${world.name}: ${what}: ${String(error)} ${JSON.stringify((error as Error).cause)}`)
      return 'crashed'
    },
  )
  const late = wait(HUNG, 'hung' as const, { signal: stop.signal }).catch(() => 'hung' as const)
  const came = await Promise.race([run, late])
  stop.abort()
  if (came === 'hung') count(tally, 'hung', `${world.name}: ${what}`)
  return came
}

/** What a run has done to a site, whatever it said. */
export function examine(world: World, tally: Tally, what: string): void {
  for (const one of world.lost()) count(tally, 'lost', `${world.name}: ${what}: ${one}`)
  for (const one of world.twice()) count(tally, 'twice', `${world.name}: ${what}: ${one}`)
  for (const one of world.letIn()) count(tally, 'letIn', `${world.name}: ${what}: ${one}`)
}

/** Whether a run that says that all is well has left all well. */
export function examineWord(world: World, wanted: string, came: Came, tally: Tally, what: string): void {
  if (typeof came === 'string' || !('done' in came) || came.done.failed.length > 0 || came.done.open.length > 0) return
  if (stateOf(world) !== wanted) count(tally, 'wrong', `${world.name}: ${what}`)
}

/** The next run, without trouble, ends where a run ends that had none. */
export async function heal(world: World, wanted: string, tally: Tally, what: string): Promise<void> {
  world.proxy.trouble([])
  const came = await attempt(world, tally, `${what}, and once more`, CALM)
  if (typeof came === 'string') return
  const why =
    'error' in came
      ? `${came.error.code}: ${came.error.message}`
      : came.done.failed.length > 0
        ? came.done.failed.map(({ ref, text }) => `${ref}: ${text}`).join('; ')
        : stateOf(world) === wanted
          ? undefined
          : 'another state'
  if (why !== undefined) count(tally, 'unhealed', `${world.name}: ${what}: ${why}`)
  examine(world, tally, `${what}, and once more`)
}

export const stateOf = (world: World): string => itemDigest(world.state())

import { faultKinds, lasting, type Fault, type FaultKind } from '../../stand-ins/faults/fault.js'
import { attempt, examine, examineWord, heal, stateOf } from './attempt.js'
import { chance, some } from './chance.js'
import { emptyTally, type Tally } from './tally.js'
import type { World } from './world.js'
import { CALM } from './world.js'

/** A straight run: its requests, one by one, and the state in which it leaves the site. */
export async function straight(
  make: () => Promise<World>,
): Promise<{ requests: { number: number; line: string }[]; wanted: string; failed: string[] }> {
  const world = await make()
  world.proxy.trouble([])
  const came = await attempt(world, emptyTally(), 'a straight run', CALM)
  if (typeof came === 'string' || 'error' in came)
    throw new Error(`a straight run on ${world.name} ended with ${JSON.stringify(came)}`)
  const requests = world.proxy.passed.map(({ number, method, url }) => ({
    number,
    line: `${method} ${url.replace(/\d+/g, 'N')}`,
  }))
  const wanted = stateOf(world)
  await world.close()
  return { requests, wanted, failed: came.done.failed.map(({ ref }) => ref) }
}

/** Kinds of faults that befall a request when it is the first of its sort. */
const FIRST = 4

/** The faults to try: some of the kinds, by chance, at every different request, and another one at each that comes again. */
export function faultsFor(requests: readonly { number: number; line: string }[], random: () => number): Fault[] {
  const seen = new Map<string, FaultKind[]>()
  return requests.flatMap(({ number, line }): Fault[] => {
    // the same request again gets others
    const left = seen.get(line) ?? [...faultKinds]
    const kinds = some(left, seen.has(line) ? 1 : FIRST, random)
    seen.set(
      line,
      left.filter((kind) => !kinds.includes(kind)),
    )
    const fault = (is: FaultKind): Fault => ({ at: number, is })
    return kinds.map((is) => (line.startsWith('GET ') ? lasting(fault(is)) : fault(is)))
  })
}

/**
 * One fault a run, each on a site of its own: nothing is lost, made twice or let in; what is said to be right is; and the next
 * run heals it.
 * @param most how many, by chance; all where left out
 */
export async function faults(make: () => Promise<World>, seed: number, most = Infinity): Promise<Tally> {
  const { requests, wanted } = await straight(make)
  const random = chance(seed)
  const tally = emptyTally()
  const all = faultsFor(requests, random)
  const chosen = some(all, most, random)
  tally.cases = { tried: chosen.length, of: all.length }
  for (const fault of chosen) {
    const world = await make()
    const what = `${fault.is} at request ${String(fault.at)} (${requests[Number(fault.at) - 1]?.line ?? ''})`
    world.proxy.trouble([fault])
    const came = await attempt(world, tally, what)
    examine(world, tally, what)
    examineWord(world, wanted, came, tally, what)
    await heal(world, wanted, tally, what)
    await world.close()
  }
  return tally
}

import { lasting, type FaultKind } from '../../stand-ins/faults/fault.js'
import { attempt, examine, heal, stateOf } from './attempt.js'
import { some } from './chance.js'
import { count, emptyTally, type Tally } from './tally.js'
import { CALM, type World } from './world.js'

/** Answers that are not what was asked for. */
export const wrongAnswers: readonly FaultKind[] = [
  '503',
  '502',
  'empty',
  'cut',
  'log-in page',
  'other screen',
  'field gone',
]

/**
 * On a site that is as planned, each kind of wrong answer in place of each reading: nothing is written, since a good reading
 * would have led to nothing.
 * @param most how many, by chance; all where left out
 */
export async function readings(make: () => Promise<World>, random: () => number, most = Infinity): Promise<Tally> {
  const world = await make()
  const tally = emptyTally()
  const run = async (what: string): Promise<number> => {
    let writes = 0
    const watch = ({ purpose }: { purpose: string }) => {
      if (purpose === 'write') writes += 1
      return () => undefined
    }
    await attempt(world, tally, what, { ...CALM, watch })
    return writes
  }
  try {
    world.proxy.trouble([])
    await run('settling it first')
    const wanted = stateOf(world)
    world.proxy.trouble([])
    const again = await run('settling it again')
    if (again > 0) throw new Error(`${world.name} is not as planned after a run: ${again} writes more`)
    const asked = world.proxy.passed.filter(({ method }) => method === 'GET')
    const all = asked.flatMap(({ number, url }) => wrongAnswers.map((is) => ({ number, url, is })))
    const chosen = some(all, most, random)
    tally.cases = { tried: chosen.length, of: all.length }
    for (const { number, url, is } of chosen) {
      const what = `${is} in place of reading ${number} (${url.replace(/\d+/g, 'N')})`
      world.proxy.trouble([lasting({ at: number, is })])
      const writes = await run(what)
      if (writes > 0 || stateOf(world) !== wanted) count(tally, 'wrong', `${world.name}: ${what}: ${writes} writes`)
      examine(world, tally, what)
    }
    await heal(world, wanted, tally, 'all of them')
    return tally
  } finally {
    await world.close()
  }
}

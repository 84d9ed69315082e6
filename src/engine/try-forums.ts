import { withMark } from './trial-marks.js'
import type { EyesRow, Id } from '../core/area.js'
import type { Stock } from './stock.js'
import { nameIn } from '../core/ref.js'
import type { Check } from '../core/report/report.js'
import type { LookedAt, SignedIn } from '../systems/system.js'
import { lookFailure } from './error-of.js'
import { inWords, plannedEyes, type Onlooker } from './eyes.js'
import type { RunRecord } from './record.js'
import type { Run } from './run.js'
import { againstPlan } from './against-plan.js'

/**
 * Tries access out: the owner starts a topic in every forum, everybody else tries to reply to it and to start one of their own.
 * All of it is taken away again.
 */
export async function tryForums(run: Run, session: SignedIn, stock: Stock, record: RunRecord): Promise<Check[]> {
  const { eyes: way } = run.site.system
  const { table, forums } = plannedEyes(run, againstPlan(run, stock), stock.inventory)
  if (!way || table.length === 0) return []
  return withMark(run, session, record, 'access', async (mark) => {
    const trial = new Trial(run, table, forums, `Unpack tries who may write here (${mark})`)
    const onlookers = await run.eyes.onlookers()
    const [owner, others] = [onlookers.filter(({ as }) => as === 'owner'), onlookers.filter(({ as }) => as !== 'owner')]
    const started = await Promise.all(owner.map((onlooker) => trial.startAll(onlooker)))
    const tried = await Promise.all(others.map((onlooker) => trial.writeAll(onlooker)))
    return [...tried, ...started].flat()
  })
}

class Trial {
  /** The owner's topic in each forum, by the forum's ref. */
  readonly #topics = new Map<string, Id>()
  constructor(
    private readonly run: Run,
    private readonly table: readonly EyesRow[],
    private readonly forums: readonly LookedAt[],
    private readonly text: string,
  ) {}

  /** The owner starts the topics that others reply to. */
  async startAll(onlooker: Onlooker): Promise<Check[]> {
    const checks: Check[] = []
    for (const forum of this.forums)
      checks.push(await this.#try(onlooker, forum, 'start', { forum }, (topic) => this.#topics.set(forum.ref, topic)))
    return checks
  }

  /** One after the other: a member may have to wait between two posts. */
  async writeAll(onlooker: Onlooker): Promise<Check[]> {
    const checks: Check[] = []
    for (const forum of this.forums) {
      const topic = this.#topics.get(forum.ref)
      if (topic !== undefined) checks.push(await this.#try(onlooker, forum, 'reply', { topic }))
      checks.push(await this.#try(onlooker, forum, 'start', { forum }))
    }
    return checks
  }

  async #try(
    { as, of }: Onlooker,
    { ref }: LookedAt,
    action: 'start' | 'reply',
    where: { forum: LookedAt } | { topic: Id },
    started?: (topic: Id) => void,
  ): Promise<Check> {
    const may = this.table.find(({ forum }) => forum === ref)?.may[action] ?? []
    const should = of.some((subject) => may.includes(subject))
    const what = action === 'start' ? 'start a topic' : 'reply'
    const name = `tried: ${inWords(as)} ${should ? 'can' : 'can’t'} ${what} in “${nameIn(ref)}”`
    try {
      const made = await this.run.site.system.eyes?.write(await this.run.eyes.visitor(as), where, this.text)
      if (made !== undefined) started?.(made)
      const taken = made !== undefined
      return { name, as, ok: taken === should, detail: taken ? 'it was taken' : 'it was refused' }
    } catch (error) {
      return { name, as, ok: false, detail: lookFailure(error) }
    }
  }
}

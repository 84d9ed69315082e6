import { inWords, type Onlooker } from '../core/access/onlookers.js'
import type { Id } from '../core/area.js'
import { nameIn } from '../core/ref.js'
import { lookedAt } from '../core/report/outcome.js'
import type { Check } from '../core/report/report.js'
import type { LookedAt } from '../systems/eyes.js'
import type { Work } from './work.js'
import { lookFailure } from './error-of.js'
import type { Watched } from './watched.js'
import type { Run } from './run.js'
import { withMark } from './trial-marks.js'

/** Tries out who may do what: the owner begins everywhere, everybody else goes on. All of it is taken away again. */
export const tryEyes = (work: Work, one: Watched): Promise<Check[]> =>
  withMark(work, one.area, async (mark) => {
    const { run } = work
    const trial = new Trial(run, one, `Unpack tries who may write here (${mark})`)
    const { onlookers } = await run.eyes.onlookers()
    const [owner, others] = [onlookers.filter(({ as }) => as === 'owner'), onlookers.filter(({ as }) => as !== 'owner')]
    const begun = await Promise.all(owner.map((onlooker) => trial.begin(onlooker)))
    const tried = await Promise.all(others.map((onlooker) => trial.goOn(onlooker)))
    return [...tried, ...begun].flat()
  })

class Trial {
  /** What the owner made at each thing, by the thing's ref. */
  readonly #made = new Map<string, Id>()
  /** When a thing is free again that one of them has to have alone. */
  readonly #free = new Map<string, Promise<unknown>>()
  constructor(
    private readonly run: Run,
    private readonly one: Watched,
    private readonly text: string,
  ) {}

  /** The owner makes what others go on with. */
  async begin(onlooker: Onlooker): Promise<Check[]> {
    const checks: Check[] = []
    for (const thing of this.#open(this.one.plan.tries.owner))
      checks.push(
        await this.#try(onlooker, thing, this.one.plan.tries.owner, undefined, (id) => this.#made.set(thing.ref, id)),
      )
    return checks
  }

  /** One after the other: a member may have to wait between two writings. */
  async goOn(onlooker: Onlooker): Promise<Check[]> {
    const checks: Check[] = []
    for (const { action, onOwners, alone } of this.one.plan.tries.others)
      for (const thing of this.#open(action)) {
        const made = onOwners && this.#made.get(thing.ref)
        if (onOwners && made === undefined) continue
        const act = () => this.#try(onlooker, thing, action, made)
        checks.push(await (alone ? this.#inTurn(thing, act) : act()))
      }
    return checks
  }

  /** Behind everybody who has it already. */
  #inTurn(thing: LookedAt, act: () => Promise<Check>): Promise<Check> {
    const done = (this.#free.get(thing.ref) ?? Promise.resolve()).then(act)
    this.#free.set(thing.ref, done)
    return done
  }

  /** The things in which somebody is planned to do it: in others it can't be done by anybody. */
  #open(action: string): LookedAt[] {
    const { things, table } = this.one
    return things.filter(({ ref }) => table.some(({ at, may }) => at === ref && may[action] !== undefined))
  }

  async #try(
    { as, of }: Onlooker,
    thing: LookedAt,
    action: string,
    onto: Id | undefined,
    keep?: (made: Id) => void,
  ): Promise<Check> {
    const { table, plan, way } = this.one
    const may = table.find(({ at }) => at === thing.ref)?.may[action] ?? []
    const should = of.some((subject) => may.includes(subject))
    const name = `tried: ${inWords(as)} ${should ? 'can' : 'can’t'} ${plan.say(action)} in “${nameIn(thing.ref)}”`
    try {
      const made = await way.act(await this.run.eyes.visitor(as), action, thing, this.text, onto)
      if (made !== undefined) keep?.(made)
      const taken = made !== undefined
      return { name, as, outcome: lookedAt(taken === should), detail: taken ? 'it was taken' : 'it was refused' }
    } catch (error) {
      return { name, as, outcome: 'failed', detail: lookFailure(error) }
    }
  }
}

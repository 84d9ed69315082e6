import { dequal } from 'dequal'
import { areaIn } from '../core/ref.js'
import { areaOf, type AnyDifference, type AnyItem, type AreaName } from '../core/areas/index.js'
import { storedIn } from '../core/comparing/left.js'
import type { SomeArea, SomeFound } from '../core/comparing/result.js'
import type { ReadItem } from '../core/area.js'
import { grouped } from '../core/grouped.js'
import { UnpackError } from '../core/errors.js'
import { onSystem } from '../systems/abilities.js'
import type { SignedIn } from '../systems/session.js'
import type { Step } from '../systems/step.js'
import { opensSite } from './gate.js'
import type { Run } from './run.js'

/** Keeps a run from writing over what someone has changed since the run read it. */
export class Meanwhile {
  /** Refs of differences whose items are not as they were read. */
  readonly changed = new Set<string>()
  readonly #looked = new Set<string>()

  constructor(
    private readonly run: Run,
    private readonly session: SignedIn,
    /** Refs of what this run changes: what leads there may do so by our own work. */
    private readonly own: ReadonlySet<string>,
    /** Whether to look also for what somebody has put where something is missing. */
    private readonly looksForMissing = false,
  ) {}

  /**
   * Which of these steps must not be sent, and why. Items are read again right before the first of their steps: later they stand
   * as this run has left them.
   */
  async refuses(load: readonly Step[]): Promise<Map<Step, string>> {
    // what this run has closed is not as it was read
    const isClosedByUs = (one: AnyDifference) => opensSite(one) && this.run.state.closed
    const first = proved(load).filter((one) => !this.#looked.has(one.ref) && !isClosedByUs(one))
    for (const { ref } of first) this.#looked.add(ref)
    await this.#look(first)
    const why = UnpackError.of('changed-meanwhile', {}).message
    return new Map(
      load.flatMap((step) => (proved([step]).some(({ ref }) => this.changed.has(ref)) ? [[step, why]] : [])),
    )
  }

  /** Reads items again, by the area's own way or by reading all of it. */
  async #look(differences: readonly AnyDifference[]): Promise<void> {
    const looked = differences.filter(({ is }) => is !== 'missing' || this.looksForMissing)
    for (const [name, all] of grouped(looked.map((one) => [one.area, one] as const))) {
      const found = all.flatMap((one) => (one.is === 'missing' ? [] : [one.found as SomeFound]))
      const now = await readNow(this.run, this.session, name, found)
      for (const one of all) if (!isStill(one, now, this.own)) this.changed.add(one.ref)
    }
  }
}

function isStill(one: AnyDifference, now: readonly ReadItem<AnyItem>[], own: ReadonlySet<string>): boolean {
  if (one.is === 'missing') return now.every(({ item }) => areaOf(one.area).ref(item) !== one.ref)
  const found = one.found as SomeFound
  const read = now.find(({ id }) => String(id) === String(found.id))
  const area = areaOf(areaIn(found.ref) as AreaName)
  return read !== undefined && saysTheSame(area, found, read, one.is === 'different' ? one.fields : [], own)
}

/** The differences that steps settle. */
export const proved = (steps: readonly Step[]): AnyDifference[] => [
  ...new Set(steps.flatMap(({ more }) => more.proves)),
]

/** Items of an area as they stand at this moment. */
async function readNow(
  run: Run,
  session: SignedIn,
  name: AreaName,
  found: readonly SomeFound[],
): Promise<ReadItem<AnyItem>[]> {
  const area = onSystem(run.site.system, name)
  if (!area?.readAgain) session.shelf.forget()
  const now = await (area?.readAgain?.(session, found, run.baseline) ?? area?.read(session, run.baseline) ?? [])
  return now as ReadItem<AnyItem>[]
}

/**
 * Whether an item still says what it said: its words, sums and state, and whatever else is about to be written over. What it is
 * linked to may have moved by our own work.
 */
const saysTheSame = (
  area: SomeArea,
  before: SomeFound,
  now: ReadItem<AnyItem>,
  fields: readonly string[],
  own: ReadonlySet<string>,
): boolean =>
  area.keys.every((key) => {
    const value = storedIn(before, key)
    const here = storedIn(now, key)
    if (here === undefined || dequal(here, value)) return true
    if (Array.isArray(here) && Array.isArray(value))
      return !fields.includes(key) || here.every((one) => isOld(one, value, own))
    return area.links?.includes(key) || (typeof value !== 'string' && !fields.includes(key))
  })

/** Whether nobody has put an entry there. Our own work takes entries away, as with a page that is removed, or renames them. */
function isOld(entry: unknown, before: readonly unknown[], own: ReadonlySet<string>): boolean {
  const ref = typeof entry === 'string' ? entry : (entry as { ref?: unknown }).ref
  return (typeof ref === 'string' && own.has(ref)) || before.some((one) => dequal(one, entry))
}

import { dequal } from 'dequal'
import { areaIn } from '../core/ref.js'
import { areaOf, type AnyDifference, type AnyItem, type AreaName } from '../core/areas/index.js'
import { storedIn } from '../core/comparing/left.js'
import type { SomeArea, SomeFound } from '../core/comparing/result.js'
import type { ReadItem, Value } from '../core/area.js'
import { grouped } from '../core/grouped.js'
import { UnpackError } from '../core/errors.js'
import { onSystem } from '../systems/abilities.js'
import type { SignedIn } from '../systems/session.js'
import type { Step } from '../systems/step.js'
import { opensSite } from './gate.js'
import type { Run } from './run.js'

/** Protects what someone has changed since this run read the site: each item is read again before the first write to it. */
export class ConcurrentEdits {
  /** Refs of differences whose items are not as they were read. */
  readonly #changed = new Set<string>()
  readonly #checked = new Set<string>()

  constructor(
    private readonly run: Run,
    private readonly session: SignedIn,
    /** Refs of what this run changes: links to these may change by our own work. */
    private readonly own: ReadonlySet<string>,
    /** Whether to check as well that nothing has been put where something is missing. */
    private readonly checksMissing = false,
  ) {}

  /** Which of these steps must not be sent, and why. Later steps for an item find it as this run has left it. */
  async refuses(load: readonly Step[]): Promise<Map<Step, string>> {
    // what this run has closed is not as it was read
    const isClosedByUs = (one: AnyDifference) => opensSite(one) && this.run.state.closed
    const first = proved(load).filter((one) => !this.#checked.has(one.ref) && !isClosedByUs(one))
    for (const { ref } of first) this.#checked.add(ref)
    await this.#check(first.filter(({ is }) => is !== 'missing' || this.checksMissing))
    const why = UnpackError.of('changed-meanwhile', {}).message
    const isChanged = (step: Step) => proved([step]).some(({ ref }) => this.#changed.has(ref))
    return new Map(load.filter(isChanged).map((step) => [step, why]))
  }

  /** Reads items again, area by area: in the area's own way, or all of it. */
  async #check(differences: readonly AnyDifference[]): Promise<void> {
    const { site, baseline } = this.run
    const areas = [...grouped(differences.map((one) => [one.area, one] as const))].map(([name, all]) => ({
      area: onSystem(site.system, name),
      all,
    }))
    // once for all of them: several areas may share a page
    if (areas.some(({ area }) => area && !area.readAgain)) this.session.shelf.forget()
    await Promise.all(
      areas.map(async ({ area, all }) => {
        const found = all.flatMap((one) => (one.is === 'missing' ? [] : [one.found as SomeFound]))
        const again = area?.readAgain?.(this.session, found, baseline) ?? area?.read(this.session, baseline)
        const now = ((await again) ?? []) as ReadItem<AnyItem>[]
        for (const one of all) if (!isUnchanged(one, now, this.own)) this.#changed.add(one.ref)
      }),
    )
  }
}

/** The differences that steps settle. */
export const proved = (steps: readonly Step[]): AnyDifference[] => [
  ...new Set(steps.flatMap(({ more }) => more.proves)),
]

/** Whether an item is still as this run read it; of a missing one, whether it is still missing. */
function isUnchanged(one: AnyDifference, now: readonly ReadItem<AnyItem>[], own: ReadonlySet<string>): boolean {
  if (one.is === 'missing') return now.every(({ item }) => areaOf(one.area).ref(item) !== one.ref)
  const found = one.found as SomeFound
  const read = now.find(({ id }) => String(id) === String(found.id))
  if (!read) return false
  const area = areaOf(areaIn(found.ref) as AreaName)
  const fields: readonly string[] = one.is === 'different' ? one.fields : []
  return area.keys.every((key) => isSameValue(area, key, storedIn(found, key), storedIn(read, key), fields, own))
}

/**
 * Texts, sums and states must be the same, and so must every key that is about to be written (`fields`). Links may change by our
 * own work, except that nobody may have added an entry to a list that is about to be written.
 */
function isSameValue(
  area: SomeArea,
  key: string,
  before: Value | undefined,
  now: Value | undefined,
  fields: readonly string[],
  own: ReadonlySet<string>,
): boolean {
  if (now === undefined || dequal(now, before)) return true
  if (Array.isArray(now) && Array.isArray(before))
    return !fields.includes(key) || now.every((entry) => isOurs(entry, own) || before.some((one) => dequal(one, entry)))
  return area.links?.includes(key) || (typeof before !== 'string' && !fields.includes(key))
}

/** Whether an entry of a list leads to something that this run changes. */
function isOurs(entry: unknown, own: ReadonlySet<string>): boolean {
  const ref = typeof entry === 'string' ? entry : (entry as { ref?: unknown }).ref
  return typeof ref === 'string' && own.has(ref)
}

import { dequal } from 'dequal'
import { areaIn } from '../core/ref.js'
import {
  areaNames,
  areaOf,
  type AnyDifference,
  type AnyItem,
  type AreaName,
  type Inventory,
} from '../core/areas/index.js'
import { storedIn } from '../core/comparing/left.js'
import type { SomeArea, SomeFound } from '../core/comparing/result.js'
import type { ReadItem, Value } from '../core/area.js'
import { textOf } from '../core/value.js'
import { UnpackError } from '../core/errors.js'
import { onSystem } from '../systems/abilities.js'
import type { SignedIn } from '../systems/session.js'
import type { Step } from '../systems/step.js'
import { opensSite } from './gate.js'
import type { Run } from './run.js'

/** What a run has read, and is about to do. */
interface Work {
  /** What was read at first. */
  inventory: Inventory
  /** Refs of all that this run changes: links to these may change by our own work. */
  own: ReadonlySet<string>
  /** What goes along with an item that is removed. */
  falling?: ReadonlyMap<string, readonly AnyDifference[]>
  /** Whether to check as well that nothing has been put where something is missing. */
  checksMissing?: boolean
}
/** An item to read again, and the difference that must not be settled if it has changed. */
interface Check {
  one: AnyDifference
  settles: string
}

/** Protects what someone has changed since this run read the site: each item is read again before the first write to it. */
export class ConcurrentEdits {
  /** Refs of differences whose items are not as they were read. */
  readonly #changed = new Set<string>()
  readonly #checked = new Set<string>()

  constructor(
    private readonly run: Run,
    private readonly session: SignedIn,
    private readonly work: Work,
  ) {}

  /** Which of these steps must not be sent, and why. Later steps for an item find it as this run has left it. */
  async refuses(load: readonly Step[]): Promise<Map<Step, string>> {
    // what this run has closed is not as it was read
    const isClosedByUs = (one: AnyDifference) => opensSite(one) && this.run.state.closed
    const first = proved(load).filter((one) => !this.#checked.has(one.ref) && !isClosedByUs(one))
    for (const { ref } of first) this.#checked.add(ref)
    const checks = first
      .filter(({ is }) => is !== 'missing' || this.work.checksMissing)
      .flatMap((one) => [{ one, settles: one.ref }, ...this.#along(one, one.ref)])
    await this.#check(checks)
    const why = UnpackError.of('changed-meanwhile', {}).message
    const isChanged = (step: Step) => proved([step]).some(({ ref }) => this.#changed.has(ref))
    return new Map(load.filter(isChanged).map((step) => [step, why]))
  }

  /** What goes along with an item that is removed, and with that. */
  #along(one: AnyDifference, settles: string): Check[] {
    const inside = one.is === 'left over' ? (this.work.falling?.get(one.ref) ?? []) : []
    return inside
      .filter(({ area }) => !areaOf(area).sideOf)
      .flatMap((inner) => [{ one: inner, settles }, ...this.#along(inner, settles)])
  }

  /** Reads items again, area by area: in the area's own way, or all of it. */
  async #check(checks: readonly Check[]): Promise<void> {
    const { site, baseline } = this.run
    /** What is removed, by its ref: anything that came into it since must stay. */
    const going = new Map(checks.flatMap(({ one, settles }) => (one.is === 'left over' ? [[one.ref, settles]] : [])))
    const names = new Set([...checks.map(({ one }) => one.area), ...(going.size > 0 ? insideOthers : [])])
    const areas = [...names].map((name) => ({
      name,
      area: onSystem(site.system, name),
      checks: checks.filter(({ one }) => one.area === name),
    }))
    // once for all of them: several areas may share a page
    if (areas.some(({ area }) => area && !area.readAgain)) this.session.shelf.forget()
    await Promise.all(
      areas.map(async ({ name, area, checks: here }) => {
        const found = here.flatMap(({ one }) => (one.is === 'missing' ? [] : [one.found as SomeFound]))
        const again = area?.readAgain?.(this.session, found, baseline) ?? area?.read(this.session, baseline)
        const now = ((await again) ?? []) as ReadItem<AnyItem>[]
        for (const { one, settles } of here) if (!isUnchanged(one, now, this.work.own)) this.#changed.add(settles)
        for (const settles of this.#cameInto(name, now, going)) this.#changed.add(settles)
      }),
    )
  }

  /** Which removals would take along what nobody had put there when the site was read. */
  #cameInto(name: AreaName, now: readonly ReadItem<AnyItem>[], going: ReadonlyMap<string, string>): string[] {
    const by = insideBy(name)
    if (by === undefined) return []
    const known = new Set((this.work.inventory[name] ?? []).map(({ id }) => String(id)))
    return now.flatMap(({ id, item }) => {
      const settles = going.get(textOf(item[by] ?? ''))
      return settles === undefined || known.has(String(id)) ? [] : [settles]
    })
  }
}

/** The key that says what an item is inside of. */
function insideBy(name: AreaName): string | undefined {
  const { within, under, sideOf } = areaOf(name)
  return sideOf ? undefined : (within ?? under)
}
/** Areas whose items can be inside others. */
const insideOthers = areaNames.filter((name) => insideBy(name) !== undefined)

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
  const wanted = (one.is === 'different' ? one.wanted : {}) as AnyItem
  // another write of ours may have brought it to the plan already: what a locked forum lets do, for one
  const isPlanned = (key: string) => {
    const [value, now] = [wanted[key], read.item[key]]
    return (
      fields.includes(key) &&
      value !== undefined &&
      now !== undefined &&
      (area.same?.(key, value, now) ?? dequal(value, now))
    )
  }
  return area.keys.every(
    (key) => isPlanned(key) || isSameValue(area, key, storedIn(found, key), storedIn(read, key), fields, own),
  )
}

/**
 * Texts, sums, numbers and states must be the same, and so must every key that is about to be written (`fields`). Our own work may
 * change links, and what is on or off: another theme comes into use. But nobody may have added an entry to a list that is about to
 * be written.
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
  return area.links?.includes(key) || (typeof before === 'boolean' && !fields.includes(key))
}

/** Whether an entry of a list leads to something that this run changes. */
function isOurs(entry: unknown, own: ReadonlySet<string>): boolean {
  const ref = typeof entry === 'string' ? entry : (entry as { ref?: unknown }).ref
  return typeof ref === 'string' && own.has(ref)
}

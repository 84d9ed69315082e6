import type { AnyDifference, AnyItem, AreaName, Inventory } from '../core/areas/index.js'
import { keysOf, unitName, unitsIn, unitsOf, type Unit } from '../core/comparing/units.js'
import { inventoryOf } from '../core/inventory.js'
import { areaIn } from '../core/ref.js'
import { textOf } from '../core/value.js'
import type { JournalLine } from '../core/report/report.js'
import { onSystem } from '../systems/abilities.js'
import type { SignedIn } from '../systems/session.js'
import type { Step } from '../systems/step.js'
import type { Run } from './run.js'

/** Milliseconds for which a reading of the units counts: shops write many prices in that time. */
const FRESH = 2000

/** The units in which what a difference writes is counted. */
export const unitsWritten = (one: AnyDifference): Unit[] => unitsOf(one.area, keysOf(one))

/** The units in which an item is counted, as far as it has such values. */
export const unitsOfItem = (ref: string, item: AnyItem): Unit[] =>
  unitsOf(
    areaIn(ref) as AreaName,
    Object.keys(item).filter((key) => (item[key] ?? '') !== ''),
  )

/** Keeps sums from going into a currency, or weights into a unit, that someone has chosen since the run read the site. */
export class UnitsAgain {
  /** Values that a unit may have, by its name: the one that was read, and what this run writes. */
  readonly #expected = new Map<string, Set<string>>()
  #now: Readonly<Record<string, string>> = {}
  #readAt = -Infinity

  /**
   * @param written what this run itself changes, units among it
   * @param countedIn the units in which what a step writes is counted
   */
  constructor(
    private readonly run: Run,
    private readonly session: SignedIn,
    inventory: Inventory,
    written: readonly { area: string; wanted: AnyItem }[],
    private readonly countedIn: (step: Step) => readonly Unit[],
  ) {
    for (const [name, value] of Object.entries(unitsIn(inventory))) this.#expected.set(name, new Set([value]))
    for (const { area, wanted } of written)
      for (const [key, value] of Object.entries(wanted))
        if (value !== undefined) this.#expected.get(unitName({ area, key }))?.add(textOf(value))
  }

  /** Which of these steps must not be sent, and why. */
  async refuses(load: readonly Step[]): Promise<Map<Step, string>> {
    const counted = load.flatMap((step) => {
      const units = this.countedIn(step)
      return units.length > 0 ? [{ step, units }] : []
    })
    if (counted.length === 0) return new Map()
    await this.#read(counted.flatMap(({ units }) => units))
    return new Map(
      counted.flatMap(({ step, units }) => {
        const why = units.map((unit) => this.#changed(unitName(unit))).find((one) => one !== undefined)
        return why === undefined ? [] : [[step, why]]
      }),
    )
  }
  #changed(name: string): string | undefined {
    const expected = this.#expected.get(name)
    const now = this.#now[name]
    if (expected === undefined || now === undefined || expected.has(now)) return undefined
    return `Someone has changed the unit while this run was under way: the site counts in ${now} now, and these numbers are in ${[...expected].at(-1)}.`
  }
  async #read(units: readonly Unit[]): Promise<void> {
    if (Date.now() - this.#readAt < FRESH) return
    this.session.shelf.forget()
    const areas = [...new Set(units.map(({ area }) => area as AreaName))]
    const read = await Promise.all(
      areas.map(
        async (name) =>
          [name, await onSystem(this.run.site.system, name)?.read(this.session, this.run.baseline)] as const,
      ),
    )
    this.#now = unitsIn(inventoryOf(Object.fromEntries(read.filter(([, items]) => items !== undefined))))
    this.#readAt = Date.now()
  }
}

/** The units in which a site counted when a run had ended, from its journal. */
export function unitsAfter(journal: readonly JournalLine[]): Record<string, string> {
  const units: Record<string, string> = {}
  for (const { event, units: read, ref, wanted } of journal) {
    Object.assign(units, read)
    if (event !== 'begun' || ref === undefined) continue
    for (const [key, value] of Object.entries((wanted ?? {}) as AnyItem)) {
      const name = unitName({ area: areaIn(ref), key })
      if (name in units) units[name] = textOf(value ?? '')
    }
  }
  return units
}

/** Why a copy must not go back: the site counts in another unit than it did when that run had ended. */
export function countsOtherwise(
  { ref, item }: { ref: string; item: AnyItem },
  then: Readonly<Record<string, string>>,
  inventory: Inventory,
): string | undefined {
  const now = unitsIn(inventory)
  for (const name of unitsOfItem(ref, item).map(unitName)) {
    const [was, is] = [then[name], now[name]]
    if (was !== undefined && is !== undefined && was !== is)
      return `its numbers are in ${was}, and the site counts in ${is} now`
  }
  return undefined
}

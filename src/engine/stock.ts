import type { System } from '../systems/system.js'
import type { Baseline } from '../core/baseline/schema.js'
import { areaNames, type Reading, type AreaName, type Inventory, type ItemOf } from '../core/areas/index.js'
import type { ReadItem } from '../core/area.js'
import type { SomeFound } from '../core/comparing/result.js'
import { UnpackError } from '../core/errors.js'
import { inventoryOf } from '../core/inventory.js'
import { areaIn } from '../core/ref.js'
import type { SignedIn } from '../systems/session.js'
import { onSystem } from '../systems/abilities.js'
import { keyOf, oursFirst } from './ownership.js'
import { recogniseOurs } from './recognise-ours.js'
import type { Run } from './run.js'

/** What stands on a site, as it was read at once. */
export interface Stock {
  inventory: Inventory
  /** Areas whose interface is switched off, with why they can't be read. */
  closed: ReadonlyMap<AreaName, string>
  /** What the values of keys are chosen from, by area, where the site tells. */
  choices: ReadonlyMap<AreaName, Readonly<Record<string, readonly string[]>>>
}

/** Reads all areas, side by side, and judges what is there, and what of it is ours. */
export async function takeStock(run: Run, session: SignedIn): Promise<Stock> {
  const closed = new Map<AreaName, string>()
  const read = async (name: AreaName) => {
    const items = await unlessClosed(onSystem(run.site.system, name)?.read(session, run.baseline), (why) =>
      closed.set(name, why),
    )
    return [name, items] as const
  }
  const choices = new Map<AreaName, Readonly<Record<string, readonly string[]>>>()
  const choose = async (name: AreaName) => {
    const here = await unlessClosed(onSystem(run.site.system, name)?.choices?.(session, run.baseline))
    if (here) choices.set(name, here)
  }
  const [imprint, , ...all] = await Promise.all([
    unlessClosed(run.site.system.imprint?.(session)),
    Promise.all(areaNames.map(choose)),
    ...areaNames.map(read),
  ])
  const reading = all.filter((one): one is readonly [AreaName, ReadItem<ItemOf<AreaName>>[]] => one[1] !== undefined)
  const inventory = inventoryOf(Object.fromEntries(reading))
  await recogniseOurs(run, inventory, imprint ?? [], run.isFirstReading())
  const isOurs = (found: SomeFound) => run.state.isOurs(areaIn(found.ref), keyOf(found))
  return { inventory: oursFirst(inventory, isOurs), closed, choices }
}

/** What a version of a system ships, area by area. */
export const shippedOn = (system: System, baseline: Baseline, version: string): Reading =>
  Object.fromEntries(
    areaNames.flatMap((name) => {
      const here = onSystem(system, name)
      return here ? [[name, here.ships?.(baseline, version) ?? []]] : []
    }),
  )

/** The same as a stock: in front of a first-run form there is nothing to read. */
export const expectedStock = ({ site, baseline }: Pick<Run, 'site' | 'baseline'>): Stock => ({
  inventory: inventoryOf(shippedOn(site.system, baseline, site.version)),
  closed: new Map(),
  choices: new Map(),
})

/** What an interface gives; nothing where it is switched off. */
async function unlessClosed<T>(reading: Promise<T> | undefined, told?: (why: string) => void): Promise<T | undefined> {
  try {
    return await reading
  } catch (error) {
    if (!(error instanceof UnpackError) || error.code !== 'area-closed') throw error
    told?.(error.message)
    return undefined
  }
}

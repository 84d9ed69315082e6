import type { Ability, ReadItem } from '../core/area.js'
import type { AreaName, Inventory, ItemOf } from '../core/areas/index.js'
import type { Baseline } from '../core/baseline/schema.js'
import type { Step } from '../systems/step.js'
import type { AreaOnSystem, Kept, OnSite, SignedIn, System } from '../systems/system.js'
import type { Run } from './run.js'

/** An area of a system, seen without its own types. */
export type AnyAreaOnSystem = Omit<AreaOnSystem<AreaName>, 'read' | 'can' | 'again'> & {
  again?(kept: Kept): Step | Step[]
  can?: Record<string, Ability> | ((site: OnSite) => Record<string, Ability>)
  read(session: SignedIn, baseline: Baseline): Promise<ReadItem<ItemOf<AreaName>>[]>
}

/** An area of a system: where the union of areas meets code that serves all. */
export const onSystem = (system: System, name: AreaName): AnyAreaOnSystem | undefined =>
  system.areas[name] as unknown as AnyAreaOnSystem | undefined

/** Whether the system can be given a key, as things stand there. */
export function abilities(
  { site, baseline }: Pick<Run, 'site' | 'baseline'>,
  inventory: Inventory,
): (area: AreaName, key: string) => Ability {
  const known = new Map<AreaName, Record<string, Ability>>()
  return (area, key) => {
    const { can } = onSystem(site.system, area) ?? {}
    const here = known.get(area) ?? (typeof can === 'function' ? can({ baseline, inventory }) : can) ?? {}
    known.set(area, here)
    return here[key] ?? 'can'
  }
}

import type { Trying } from '../looks/trying.js'
import type { Look } from '../looks/look.js'
import type { OwnLook } from '../core/looking.js'
import type { Ability, Id, ReadItem, Value } from '../core/area.js'
import type { AreaName, Inventory, ItemOf, AnyItem } from '../core/areas/index.js'
import type { Baseline } from '../core/baseline/schema.js'
import type { Step } from './step.js'
import type { AreaOnSystem, Kept, OnSite } from './area-on-system.js'
import type { SignedIn } from './session.js'
import type { System } from './system.js'

/** An area of a system, seen without its own types. */
export interface AnyAreaOnSystem extends Omit<
  AreaOnSystem<AreaName>,
  | 'read'
  | 'readAgain'
  | 'takes'
  | 'atMost'
  | 'choices'
  | 'keys'
  | 'can'
  | 'again'
  | 'ships'
  | 'looks'
  | 'try'
  | 'takeAway'
  | 'makeVoid'
> {
  keys?: readonly string[]
  takes?(key: string, value: Value, item: AnyItem, baseline: Baseline): string | undefined
  atMost?: Readonly<Record<string, number | undefined>>
  again?(kept: Kept): Step | Step[]
  can?: Record<string, Ability> | ((site: OnSite) => Record<string, Ability>)
  read(session: SignedIn, baseline: Baseline): Promise<ReadItem<ItemOf<AreaName>>[]>
  readAgain?(
    session: SignedIn,
    found: readonly { id: Id; copy?: unknown }[],
    baseline: Baseline,
  ): Promise<ReadItem<ItemOf<AreaName>>[]>
  choices?(session: SignedIn, baseline: Baseline): Promise<Record<string, readonly string[]>>
  ships?(baseline: Baseline, version: string): ReadItem<AnyItem>[]
  looks?: Partial<Record<string, Look<OwnLook>>>
  try?: Trying<object>
  takeAway?(session: SignedIn, mark: string): Promise<void>
  makeVoid?(session: SignedIn, mark: string, hide: (text: string) => void): Promise<Id[]>
}

/** An area of a system: where the union of areas meets code that serves all. */
export const onSystem = (system: System, name: AreaName): AnyAreaOnSystem | undefined =>
  system.areas[name] as unknown as AnyAreaOnSystem | undefined

/**
 * Whether the system can be given a key, as things stand there.
 * @example abilitiesOf(system, baseline, inventory)('members', 'new') // 'can', or why not
 */
export function abilitiesOf(
  system: System,
  baseline: Baseline,
  inventory: Inventory,
): (area: AreaName, key: string) => Ability {
  const known = new Map<AreaName, Record<string, Ability>>()
  return (area, key) => {
    const { can, keys } = onSystem(system, area) ?? {}
    const here = known.get(area) ?? (typeof can === 'function' ? can({ baseline, inventory }) : can) ?? {}
    known.set(area, here)
    return here[key] ?? (key === 'new' || !keys || keys.includes(key) ? 'can' : 'none')
  }
}

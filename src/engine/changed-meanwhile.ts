import { areaIn } from '../core/ref.js'
import { areaOf, type AnyDifference, type AnyItem, type AreaName } from '../core/areas/index.js'
import { storedIn } from '../core/comparing/left.js'
import type { SomeArea, SomeFound } from '../core/comparing/result.js'
import type { ReadItem } from '../core/area.js'
import { grouped } from '../core/grouped.js'
import { onSystem } from '../systems/abilities.js'
import type { SignedIn } from '../systems/session.js'
import type { Run } from './run.js'

/**
 * Which items someone has changed since this run read them. They are read again right before something of them is written over
 * or removed, where the system can do that.
 * @returns the refs of their differences
 */
export async function changedMeanwhile(
  run: Run,
  session: SignedIn,
  differences: readonly AnyDifference[],
): Promise<Set<string>> {
  const byArea = grouped(
    differences.flatMap((one) =>
      one.is === 'missing' ? [] : [[one.area, { ref: one.ref, found: one.found as SomeFound }] as const],
    ),
  )
  const changed = new Set<string>()
  for (const [name, all] of byArea) {
    const now = await onSystem(run.site.system, name)?.readAgain?.(
      session,
      all.map(({ found }) => found),
      run.baseline,
    )
    if (!now) continue
    const byId = new Map((now as ReadItem<AnyItem>[]).map((one) => [String(one.id), one]))
    for (const { ref, found } of all) {
      const read = byId.get(String(found.id))
      if (!read || !saysTheSame(areaOf(areaIn(found.ref) as AreaName), found, read)) changed.add(ref)
    }
  }
  return changed
}

/** Whether an item still says what it said: its words, sums and state. What it is linked to may have moved by our own work. */
const saysTheSame = (area: SomeArea, before: SomeFound, now: ReadItem<AnyItem>): boolean =>
  area.keys.every((key) => {
    const value = storedIn(before, key)
    const here = storedIn(now, key)
    return typeof value !== 'string' || area.links?.includes(key) || here === undefined || here === value
  })

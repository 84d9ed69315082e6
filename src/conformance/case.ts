import { readBaseline } from '../core/baseline/read.js'
import type { AreaName } from '../core/areas/index.js'
import type { System } from '../systems/system.js'
import type { ConformanceSite } from './site.js'

/**
 * What a case needs: an area and one of its fields, items that ship with the system, a first-run form on the web, or a login that
 * the host has made for the site.
 */
export type NeededKey = `${AreaName}.${string}` | `shipped-${AreaName}` | 'first-run' | 'host-login'

/** One thing that every adapter must get right. */
export interface ConformanceCase {
  name: string
  area: AreaName | 'all'
  /** It is skipped only where the adapter says that it can't give one of these. */
  needs: readonly NeededKey[]
  /** Why it can't show on a system what its name says: it is skipped there, and not told as passed. */
  unless?(system: System): string | undefined
  run(site: ConformanceSite): Promise<void>
}

type Can = Readonly<Record<string, unknown>>
/** What is asked of an area of a system here. */
interface Onsite {
  can?: Can | ((site: object) => Can)
  keys?: readonly string[]
  takes?(key: string, value: unknown, item: object, baseline: object): string | undefined
  ships?(baseline: object): unknown[]
}
/**
 * Why a system can't hold what a case is about, for `unless`.
 * @example unlessHeld('pages', 'title', 'What <b>looks</b> like tags') // a function of the system: undefined where it holds that
 */
export const unlessHeld =
  (area: AreaName, key: string, value: unknown) =>
  ({ areas }: System): string | undefined =>
    (areas as Record<string, Onsite | undefined>)[area]?.takes?.(key, value, { [key]: value }, bare)

/** What an ability may depend on, where nothing is planned and nothing is there. */
export const bare = readBaseline(
  'unpack: 1\nsite: { address: "http://127.0.0.1/" }\nowner: { username: marlow }',
).baseline

/**
 * Keys of a case that a system can't be given, or why else it shows nothing there.
 * @example lacking(system, { name: 'an icon', area: 'site', needs: ['site.icon'], run }) // [] where the system has it
 */
export function lacking(system: System, { area: own, needs, unless }: ConformanceCase): string[] {
  const areas = system.areas as Record<string, Onsite | undefined>
  const missing = needs.filter((needed) => {
    if (needed === 'first-run') return system.firstRunNeeds === undefined
    if (needed === 'host-login') return system.firstRunNeeds !== undefined
    if (needed.startsWith('shipped-')) return (areas[needed.slice(8)]?.ships?.(bare) ?? []).length === 0
    const at = needed.indexOf('.')
    const onSystem = areas[needed.slice(0, at)]
    const can = typeof onSystem?.can === 'function' ? onSystem.can({ baseline: bare, inventory: {} }) : onSystem?.can
    const key = needed.slice(at + 1)
    const isRead = key === 'new' || (onSystem?.keys?.includes(key) ?? true)
    return !onSystem || !isRead || (can?.[key] ?? 'can') !== 'can'
  })
  const all = missing.length === 0 && own !== 'all' && !areas[own] ? [own] : missing
  const why = all.length === 0 ? unless?.(system) : undefined
  return why === undefined ? all : [why]
}

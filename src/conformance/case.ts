import type { AreaName } from '../core/areas/index.js'
import type { System } from '../systems/system.js'
import type { ConformanceSite } from './site.js'

/** A key that a case needs: an area and one of its fields. */
export type NeededKey = `${AreaName}.${string}`

/** One thing that every adapter must get right. */
export interface ConformanceCase {
  name: string
  area: AreaName | 'all'
  /** It is skipped only where the adapter says that it can't give one of these. */
  needs: readonly NeededKey[]
  run(site: ConformanceSite): Promise<void>
}

/** Keys of a case that a system can't be given. */
export function lacking(system: System, { needs }: ConformanceCase): string[] {
  return needs.filter((needed) => {
    const [area = '', key = ''] = needed.split('.')
    const onSystem = (system.areas as Record<string, { can?: Record<string, unknown> } | undefined>)[area]
    return !onSystem || (onSystem.can?.[key] ?? 'can') !== 'can'
  })
}

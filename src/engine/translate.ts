import { areaNames, type AnyDifference, type Inventory } from '../core/areas/index.js'
import type { Step } from '../systems/step.js'
import { onSystem } from '../systems/abilities.js'
import type { Run } from './run.js'

/** What the system's areas make of differences; what falls with another item needs no step. */
export function translate(
  run: Run,
  differences: readonly AnyDifference[],
  inventory: Inventory,
  firstRun = false,
): Step[] {
  return areaNames.flatMap((name) => {
    const here = differences.filter(
      (difference) =>
        difference.area === name && !(difference.is === 'left over' && difference.fallsWith !== undefined),
    )
    return here.length === 0
      ? []
      : (onSystem(run.site.system, name)?.translate?.(here as never, { firstRun, baseline: run.baseline, inventory }) ??
          [])
  })
}

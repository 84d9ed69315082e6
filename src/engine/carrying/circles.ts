import { UnpackError } from '../../core/errors.js'
import { grouped } from '../../core/grouped.js'
import type { Step } from '../../systems/step.js'
import { needsOf, type Known } from './fill.js'

/**
 * Refuses steps that wait for each other: whatever goes first would lack something (topological sorting after Kahn).
 * @throws UnpackError `steps-in-a-circle`
 */
export function refuseCircles(steps: readonly Step[], { ids }: Known): void {
  const givers = grouped(steps.map((step) => [step.more.gives, step]))
  const lacks = new Map<Step, Set<string>>()
  for (const step of steps) {
    const comes = (ref: string) => !ids.has(ref) && (givers.get(ref)?.some((other) => other !== step) ?? false)
    lacks.set(step, new Set(needsOf(step).filter(comes)))
  }
  const waiting = grouped([...lacks].flatMap(([step, refs]) => [...refs].map((ref) => [ref, step] as const)))
  const free = steps.filter((step) => lacks.get(step)?.size === 0)
  for (let step = free.pop(); step; step = free.pop()) {
    const { gives = '' } = step.more
    const released = waiting.get(gives) ?? []
    waiting.delete(gives)
    for (const other of released) {
      lacks.get(other)?.delete(gives)
      if (lacks.get(other)?.size === 0) free.push(other)
    }
  }
  const stuck = steps.filter((step) => lacks.get(step)?.size !== 0)
  if (stuck.length > 0)
    throw UnpackError.of('steps-in-a-circle', { refs: stuck.flatMap(({ more }) => more.gives ?? []) })
}

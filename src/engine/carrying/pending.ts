import { grouped } from '../../core/grouped.js'
import type { Carrier, Step } from '../../systems/step.js'
import { needsOf, type Known } from './fill.js'
import { Wants } from './wants.js'

/** Why a step could not go: something it needs was refused, or nothing makes what it needs. */
export type Held = { lost: string } | { never: string }

/** Steps that have not gone yet: which may go next, and which never will. */
export class Pending {
  readonly #wants: Wants
  /** Where each step stands in the order in which they were given. */
  readonly #place: ReadonlyMap<Step, number>
  readonly #needing: ReadonlyMap<string, readonly Step[]>
  readonly #ready = new Map<Carrier<unknown>, Step[]>()
  readonly #left: Set<Step>
  readonly #held = new Map<Step, Held>()

  constructor(steps: readonly Step[], known: Known) {
    this.#wants = new Wants(steps, known)
    this.#place = new Map(steps.map((step, index) => [step, index]))
    this.#needing = grouped(steps.flatMap((step) => [...new Set(needsOf(step))].map((ref) => [ref, step] as const)))
    this.#left = new Set(steps)
    for (const step of steps) if (this.#wants.isFree(step)) this.#free(step)
  }

  /** The steps that go next: as many as their carrier takes at once. None is left to go where there are none. */
  next(): Step[] {
    const carrier = this.#nextCarrier()
    const load = (carrier && this.#ready.get(carrier)?.splice(0, carrier.atOnce)) ?? []
    for (const step of load) this.#left.delete(step)
    return load
  }

  /** The carrier to go next: one that would gain nothing by waiting; else the one that most others wait for. */
  #nextCarrier(): Carrier<unknown> | undefined {
    const carriers = [...this.#ready]
      .filter(([, ready]) => ready.length > 0)
      .sort(([, [a]], [, [b]]) => this.#placeOf(a) - this.#placeOf(b))
      .map(([carrier]) => carrier)
    const free = carriers.find((carrier) => carrier.atOnce === 1 || !this.#wants.waitsForOthers(carrier))
    if (free || carriers.length < 2) return free ?? carriers[0]
    const waiting = new Map(carriers.map((carrier) => [carrier, this.#wants.waitingFor(carrier)]))
    return carriers.sort((a, b) => (waiting.get(b) ?? 0) - (waiting.get(a) ?? 0))[0]
  }

  /** A step has gone, and what it gives is known. */
  done(step: Step): void {
    for (const other of this.#wants.gone(step)) this.#free(other)
  }

  /** A step was refused: what needs it is held, and what needs that. */
  refused(step: Step): void {
    const { gives } = step.more
    if (gives !== undefined)
      for (const other of this.#needing.get(gives) ?? []) {
        if (!this.#left.delete(other)) continue
        this.#held.set(other, { lost: gives })
        this.#ready.set(
          other.carrier,
          this.#readyOf(other.carrier).filter((one) => one !== other),
        )
        this.refused(other)
      }
    this.done(step)
  }

  /** All that could not go; what nothing can make ready any more as well. */
  held(): Map<Step, Held> {
    for (const step of this.#left)
      this.#held.set(step, { never: this.#wants.lackedBy(step).join(', ') || 'another step' })
    return this.#held
  }

  /** A step lacks nothing any more: it takes its place among those of its carrier. */
  #free(step: Step): void {
    if (!this.#left.has(step)) return
    const ready = this.#readyOf(step.carrier)
    let at = ready.length
    while (at > 0 && this.#placeOf(ready[at - 1]) > this.#placeOf(step)) at -= 1
    ready.splice(at, 0, step)
  }

  #readyOf(carrier: Carrier<unknown>): Step[] {
    const ready = this.#ready.get(carrier) ?? []
    this.#ready.set(carrier, ready)
    return ready
  }
  readonly #placeOf = (step: Step | undefined): number => (step && this.#place.get(step)) ?? -1
}

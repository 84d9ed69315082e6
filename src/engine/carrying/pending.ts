import TinyQueue from 'tinyqueue'
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
  /** The steps that lack nothing, by carrier, in the order in which they were given. */
  readonly #ready = new Map<Carrier<unknown>, TinyQueue<Step>>()
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
    const load: Step[] = []
    while (carrier && load.length < carrier.atOnce) {
      const step = this.#first(carrier)
      if (!step) break
      this.#ready.get(carrier)?.pop()
      this.#left.delete(step)
      load.push(step)
    }
    return load
  }

  /** The carrier to go next: one that would gain nothing by waiting; else the one that most others wait for. */
  #nextCarrier(): Carrier<unknown> | undefined {
    const carriers = [...this.#ready.keys()]
      .map((carrier) => ({ carrier, at: this.#placeOf(this.#first(carrier)) }))
      .filter(({ at }) => at >= 0)
      .sort((a, b) => a.at - b.at)
      .map(({ carrier }) => carrier)
    const free = carriers.find((carrier) => carrier.atOnce === 1 || !this.#wants.waitsForOthers(carrier))
    if (free || carriers.length < 2) return free ?? carriers[0]
    const waiting = new Map(carriers.map((carrier) => [carrier, this.#wants.waitingFor(carrier)]))
    return carriers.sort((a, b) => (waiting.get(b) ?? 0) - (waiting.get(a) ?? 0))[0]
  }

  /** The ready step of a carrier that goes first; one that was held meanwhile is none. */
  #first(carrier: Carrier<unknown>): Step | undefined {
    const ready = this.#ready.get(carrier)
    for (let step = ready?.peek(); step; step = ready?.peek()) {
      if (this.#left.has(step)) return step
      ready?.pop()
    }
    return undefined
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
    const ready =
      this.#ready.get(step.carrier) ?? new TinyQueue<Step>([], (a, b) => this.#placeOf(a) - this.#placeOf(b))
    ready.push(step)
    this.#ready.set(step.carrier, ready)
  }

  readonly #placeOf = (step: Step | undefined): number => (step && this.#place.get(step)) ?? -1
}

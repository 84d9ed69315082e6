import type { AnyDifference } from '../core/areas/index.js'
import type { Id } from '../core/area.js'
import type { Resolved } from './later.js'
import type { Session } from './session.js'

/**
 * What came of one load: the id and address of what was made, or why the site refused. `mail` is the address to which the
 * site has written: it wants the link in that mail opened first. A refusal with a mail means that the item was made, and waits.
 */
export type Carried =
  | { id?: Id; address?: string; mail?: string; refused?: undefined }
  | { refused: string; id?: undefined; address?: undefined; mail?: string }

/** One form or route of a system that takes changes, and knows its own traps. */
export interface Carrier<F, S extends Session = Session> {
  name: string
  side: 'first-run' | 'dashboard'
  /** How many steps one request can take; a carrier that takes several waits for its own late-comers. */
  atOnce: number
  /**
   * Sends the loads, in as few requests as it can, and says which of the session's readings are stale now.
   * @returns one outcome a load, in their order
   */
  carry(loads: readonly Resolved<F>[], session: S): Promise<Carried[]>
}

/** What a step settles and makes, and what has to be settled around it. */
export interface StepDuties {
  /** The differences it settles. */
  proves: readonly AnyDifference[]
  /** The ref of the item that it makes. */
  gives?: string
  /** Refs that must be settled before. */
  after?: readonly string[]
  /** An effect that no reading shows and that must be undone by another step: the debt's name. Kept until it is paid. */
  owes?: string
  /** The debt that it pays; it waits for every step that owes it. */
  pays?: string
}

/** What an adapter makes of differences: fields for one carrier. The fields always fit the carrier. */
export class Step {
  private constructor(
    readonly carrier: Carrier<unknown>,
    readonly fields: unknown,
    readonly more: StepDuties,
  ) {}
  /** @example Step.of(content, { route: 'categories', body: { name: 'Repairs' } }, { proves: [difference] }) */
  static of<F, S extends Session>(carrier: Carrier<F, S>, fields: NoInfer<F>, more: StepDuties): Step {
    return new Step(carrier, fields, more)
  }
}

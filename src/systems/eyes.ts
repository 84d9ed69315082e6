import type { Id } from '../core/area.js'
import type { Visitor } from '../web/visitor.js'

/** A thing as those who look are shown it. */
export interface LookedAt {
  ref: string
  id: Id
  /** Where visitors find it, as a whole address. */
  address?: string
}
/** What may be done there, by the names of actions, as somebody's own public session tells. */
export type Seen = Readonly<Record<string, boolean>>

/** Looking at things through many eyes, on the public side. */
export interface Eyes {
  /** What this visitor may do with each of the things, by its ref; as few requests as will do. */
  look(visitor: Visitor, things: readonly LookedAt[]): Promise<ReadonlyMap<string, Seen>>
  /**
   * Does what an action says, with a text of ours. @param made what the owner has made there, where the action is done to that
   * @returns what was made; `undefined` where it was refused
   */
  act(visitor: Visitor, action: string, thing: LookedAt, text: string, made?: Id): Promise<Id | undefined>
}

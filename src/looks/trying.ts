import type { Attempt } from '../core/looking.js'
import type { Visitor } from '../web/visitor.js'

/** What trying something may use. */
export interface TryingAt<S = unknown> {
  visitor: Visitor
  /** The owner, signed in to the system, for what nobody else can do. */
  session: S
  /** Where visitors find what it is tried at. */
  address: string
  /** What has to stand in whatever is written: it says what it is for, and bears a mark. */
  text: string
  /** Keeps a text out of every record and output: what opens something to whoever knows it. */
  hide(text: string): void
}

/** Tries something out. @returns what came of it, in the attempt's words; nothing where there is nothing to try */
export type Trying<T extends object, S = unknown> = (
  attempt: Attempt<T>,
  at: TryingAt<S>,
) => Promise<{ came: string; detail?: string } | undefined>

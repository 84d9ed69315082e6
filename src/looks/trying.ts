import type { Attempt } from '../core/looking.js'
import type { SignedIn } from '../systems/session.js'
import type { Visitor } from '../web/visitor.js'

/** What trying something may use. */
export interface TryingAt<S extends SignedIn = SignedIn> {
  visitor: Visitor
  /** The owner, for what nobody else can do. */
  session: S
  /** Where visitors find what it is tried at. */
  address: string
  /** What has to stand in whatever is written: it says what it is for, and bears a mark. */
  text: string
}

/** Tries something out. @returns what came of it, in the attempt's words; nothing where there is nothing to try */
export type Trying<T extends object, S extends SignedIn = SignedIn> = (
  attempt: Attempt<T>,
  at: TryingAt<S>,
) => Promise<{ came: string; detail?: string } | undefined>

import type { SignedIn } from '../systems/session.js'
import type { RunRecord } from './keeping.js'
import type { Run } from './run.js'

/** A run at work: signed in, with its record open. */
export interface Work {
  run: Run
  session: SignedIn
  record: RunRecord
}

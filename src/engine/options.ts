import type { Logins } from '../logins/logins.js'
import type { System } from '../systems/system.js'
import type { Resolve } from '../web/connections.js'
import type { Watch } from '../web/traffic.js'
import type { RunEvent } from './events.js'

/** What every call of the engine takes. */
export interface SurveyOptions {
  /** The systems to know; those that Unpack brings where left out. */
  systems?: readonly System[]
  /** Stops the run; what was begun is in the journal. */
  signal?: AbortSignal
  /** Told what happens while it happens. */
  on?: (event: RunEvent) => void
  /** Where host names are to be found. */
  resolve?: Resolve
  /** Shown every request as it goes out, secrets included; for measuring. */
  watch?: Watch
}

export interface RunOptions extends SurveyOptions {
  /** Where logins are kept; opened when the first one is needed. */
  logins: Logins
  /** The state folder; the user's own where left out. */
  state?: string
  /** Where records go; `unpack-record` in the current folder where left out. */
  records?: string
  /** Go on with a version that Unpack is not proven with. */
  unproven?: boolean
  /** Sign in over plain http beyond this machine. */
  plainHttp?: boolean
  /** Write planned texts over later edits. */
  again?: boolean
}

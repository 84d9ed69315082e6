import type { Secret } from '../core/secret.js'
import type { Logins } from '../logins/logins.js'
import type { Resolve } from '../web/connections.js'
import type { Watch } from '../web/exchange.js'
import type { Keeping } from './keeping.js'
import type { RunEvent } from './events.js'
import type { Systems } from './known-systems.js'

/** What every call of the engine takes. */
export interface SurveyOptions {
  /** The systems to know, or what loads them once something answers; those that Unpack brings where left out. */
  systems?: Systems
  /** Stops the run; what was begun is in the journal. */
  signal?: AbortSignal
  /** Told what happens while it happens. */
  on?: (event: RunEvent) => void
  /** Where host names are to be found. */
  resolve?: Resolve
  /** What opens the door in front of the site (HTTP Basic); from the logins file where left out. */
  door?: { username: string; password: Secret }
  /** Milliseconds within which an answer that is read has to be whole; a minute where left out. */
  patience?: number
  /** Shown every request as it goes out, secrets included; for measuring. */
  watch?: Watch
}

/** Where mails to the owner arrive, so that a link in one can be followed. */
export interface Mailbox {
  /** The texts of mails to an address that arrived after a moment, the newest first; waits a little for one. */
  mailsTo(address: string, since: Date): Promise<string[]>
}

/** What every call takes that signs in to a site. */
export interface RunOptions extends SurveyOptions {
  /** Asks the owner for a password that they want to choose themselves. */
  askPassword?: (username: string) => Promise<Secret>
  /** Where mails that the site sends can be read; without one, links in them are told as to do by hand. */
  mailbox?: Mailbox
  /** Where logins are kept; opened when the first one is needed. */
  logins: Logins
  /** What keeps what outlives the run; folders of this machine where left out. */
  keeping?: Keeping
  /** The state folder; the user's own where left out. */
  state?: string
  /** Where records go; `unpack-record` in the current folder where left out. */
  records?: string
  /** Go on with a version that Unpack is not proven with. */
  unproven?: boolean
  /** Sign in over plain http beyond this machine. */
  plainHttp?: boolean
  /** Write planned texts over later edits, and take over what somebody made under a planned name: all of it, or these refs. */
  again?: boolean | readonly string[]
}

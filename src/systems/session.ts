import type { Secret } from '../core/secret.js'
import type { Visitor } from '../web/visitor.js'
import type { Shelf } from './shelf.js'

/** A user name with its password. */
export interface Login {
  username: string
  password: Secret
  /** True for the host's: Unpack puts one of the owner's own in its place. */
  temporary?: boolean
}

/** Somebody at the site: a browser, and what was read through it. */
export interface Session {
  visitor: Visitor
  shelf: Shelf
}
/** Somebody who is signed in. */
export interface SignedIn extends Session {
  readonly login: Login
  signOut(): Promise<void>
}

import type { Secret } from '../core/secret.js'
import type { Visitor } from '../web/visitor.js'
import type { Shelf } from './shelf.js'

/** A user name with its password. */
export interface Login {
  username: string
  password: Secret
  /** True for the host's: Unpack puts one of the owner's own in its place. */
  temporary?: boolean
  /** The owner's address, where people sign in with that. */
  email?: string
  /** A session of an earlier run that may still be open. */
  session?: Secret
  /** Whoever may look after the whole server, as long as the stored password is the host's temporary one. */
  keeper?: Keeper
}

/** A temporary login beside the owner's, with the password that is about to take its place. */
export interface Keeper {
  username: string
  password: Secret
  next?: Secret
}

/** Somebody at the site: a browser, and what was read through it. */
export interface Session {
  visitor: Visitor
  shelf: Shelf
}
/** Somebody who is signed in. */
export interface SignedIn extends Session {
  readonly login: Login
  /** A browser that came in by the form, as people do, where the session itself did not: it is left with `signOut` as well. */
  browser?(): Promise<Visitor>
  signOut(): Promise<void>
  /** What opens this session again, where a site bears few sign-ins: it is kept, encrypted, and not signed out. */
  kept?(): Promise<Secret | undefined>
}

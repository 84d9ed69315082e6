import type { Proven } from './lines.js'
import type { AreaName } from '../core/areas/index.js'
import type { Recognised } from '../core/findings.js'
import type { Secret } from '../core/secret.js'
import type { Answer } from '../web/answer.js'
import type { Visitor } from '../web/visitor.js'
import type { AreaOnSystem } from './area-on-system.js'
import type { Login, SignedIn } from './session.js'
import type { Step } from './step.js'

/** What recognising may use: the front page, and a few more looks. */
export interface FirstLook {
  front: Answer
  /** Looks at a place of the site; `undefined` when there was no answer or the survey's looks are used up. */
  get(place: string): Promise<Answer | undefined>
  /** Asks for what is told to any visitor, but only in answer to a POST: it counts as a look. */
  ask?(place: string, json: unknown): Promise<Answer | undefined>
}

/** One of the dashboard's main screens, and what must be on it. */
export interface Screen {
  /** What an owner calls it. */
  name: string
  place: string
  /** A CSS selector of what makes it that screen. */
  has: string
}

/** Software that runs a site, as Unpack drives it. */
export interface System<S extends SignedIn = SignedIn> {
  id: string
  name: string
  kind: 'blog' | 'content' | 'shop' | 'forum'
  /** The passwords it takes: how long one is made, and from which characters. */
  password: { length: number; characters: string }
  /** Signs in whoever may fill the first-run form, where not everybody may; `undefined` if the login is refused. */
  enterFirstRun?(visitor: Visitor, login: Login): Promise<S | undefined>
  /** Whether there is an account of that name on the site; for systems where more than its own accounts may open it. */
  hasAccount?(session: S, username: string): Promise<boolean>
  /**
   * Which version it is, as somebody who is signed in is told; for systems that tell visitors none. `undefined` where nobody is
   * told before the site is made.
   */
  version?(session: S): Promise<({ version: string } & Proven) | undefined>
  /** Keys of the baseline that its first-run form can't do without; left out where it has no such form on the web. */
  firstRunNeeds?: readonly string[]
  /** Areas about which its first-run form asks, beside the site and its owner. */
  firstRunAsks?: readonly AreaName[]
  areas: { [A in AreaName]?: AreaOnSystem<A, S> }
  /**
   * What tells this site from another at the same address: its accounts, and when each was made. Left out where the system
   * tells nobody.
   */
  imprint?(session: S): Promise<string[]>
  /** What only this site shows to visitors, the same from wherever it is looked at; `undefined` where it shows too little. */
  shows?(visitor: Visitor): Promise<string | undefined>
  /** Why it has no area of these, where there is more to say than that. */
  lacks?: { [A in AreaName]?: string }
  /** The dashboard's main screens, eight at least. */
  screens: readonly Screen[]
  /** Known from outside? Read-only, and sparing with looks. */
  recognise(look: FirstLook): Promise<Recognised | undefined>
  /** Signs in; `undefined` if the login is refused. */
  signIn(visitor: Visitor, login: Login): Promise<S | undefined>
  /** Goes on in a session that an earlier run has kept; `undefined` if it has ended. */
  resume?(visitor: Visitor, login: Login & { session: Secret }): Promise<S | undefined>
  /** Signs of trouble on a screen of the dashboard, in an owner's words; `undefined` if there are none. */
  trouble(answer: Answer, screen: Screen): string | undefined
  /** Signing in on the public side, where that is another thing than at the dashboard. */
  publicSide?: PublicSide
  /** What pays a debt by itself, by the debt's name. */
  debts?: Readonly<Record<string, () => Step>>
  /** Whether a page of the public site shows a text that the system ships; left out where it ships none that visitors see. */
  showsShippedText?(html: string, home: string): boolean
}

/** Members and the owner on the public side. */
export interface PublicSide {
  /** How many sign-ins beside the owner's it bears in one run. */
  signIns: number
  /** Signs in; false if the login is refused. */
  signIn(visitor: Visitor, login: Login): Promise<boolean>
  signOut(visitor: Visitor): Promise<unknown>
}

const needed: (keyof System)[] = ['id', 'name', 'areas', 'screens', 'recognise', 'signIn']

/**
 * Whether something is a system, as far as its shape tells: for adapters that come from outside.
 * @example isSystem({ id: 'boathouse' }) // false
 */
export const isSystem = (value: unknown): value is System =>
  typeof value === 'object' && value !== null && needed.every((key) => key in value)

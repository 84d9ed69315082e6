import type { Baseline } from './baseline/schema.js'
import type { Value } from './area.js'

/** A look of one area's own, by its name; the systems that have the area say how it is taken. */
export interface OwnLook {
  look: string
}

/** The looks that all systems share. */
export type SharedLook =
  /** The page shows all of these, wherever. */
  | { look: 'shows'; texts: readonly string[] }
  /** The site goes by this title. */
  | { look: 'title'; text: string }
  /** The page is called so, and is about these texts. */
  | { look: 'entry'; title?: string; texts: readonly string[] }
  | { look: 'links'; labels: readonly string[]; anyOrder?: true; within?: 'navigation' }
  | { look: 'robots'; welcome: boolean }
  | { look: 'icon' }
  /** An old address leads to where it stands now. */
  | { look: 'leads-here'; from: string }
  /** What a look at many leaves out, and why. */
  | { look: 'beyond'; why: string }
  | FeedLook
/** The feed can be read, and is no longer than planned. */
export interface FeedLook {
  look: 'feed'
  /** How many items it may hold at the most. */
  most?: number
}

/** A rule shows only on what was made under it: the first of these items that is known to be. */
export interface MadeUnder {
  madeUnder: Value
  anyOf: readonly string[]
}

/** What a visitor should see once the baseline is settled: on the front page, or where an item is found. */
export type Expectation<L extends OwnLook = never> = {
  name: string
  at: 'front' | { ref: string } | MadeUnder
  /** It is no part of the plan: where a system has no such thing, nothing is said of it. */
  ifAny?: true
} & (SharedLook | L)

/** Something that is tried: where, what should come of it, and what each outcome is called. */
export type Attempt<T extends object = object> = {
  name: string
  /** The ref of the item at which it is tried. */
  at: string
  should: string
  words: Readonly<Record<string, string>>
  /** Why it can't be tried. */
  cannot?: string
  /** A mail that the site sends is to arrive at this address: `sent` becomes `arrived` or `lost`. */
  arrivesAt?: string
} & T

/** A thing, and who may do what there: `everyone` for visitors, members, names of groups, administrators. */
export interface EyesRow {
  /** Its ref. */
  at: string
  may: Readonly<Record<string, readonly string[]>>
}

/** A question of a baseline's own: may somebody do it? */
export interface EyesQuestion {
  name: string
  as: string
  at: string
  action: string
  should: boolean
}

/** What some may do and others not: looked at through the eyes of each, and tried by them. */
export interface EyesOf<I> {
  /** What can be looked at, as far as a visitor's page tells: in the order in which it is told. */
  actions: readonly string[]
  table(items: readonly I[], baseline: Baseline): EyesRow[]
  /** What the baseline asks on top of that. */
  questions?(baseline: Baseline): EyesQuestion[]
  /**
   * Tried with `--try`: the owner begins; what others do may need what the owner made there, or has to be done alone, as it keeps
   * everybody else out meanwhile.
   */
  tries: { owner: string; others: readonly { action: string; onOwners?: true; alone?: true }[] }
  /** An action in words: `start a topic`. */
  say(action: string): string
}

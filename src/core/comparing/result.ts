import type { AnyDifference, AnyItem, AreaName } from '../areas/index.js'
import type { Ability, Difference, Found, Plan, Value } from '../area.js'
import type { Names } from '../naming.js'
import type { LeftBehind } from './left.js'
import type { areaOf } from '../areas/index.js'

/** What comparing needs to know beside the plan and the site. */
export interface CompareOptions {
  /** Whether the site's system can be given a key; what is not said: it can. */
  can?: (area: AreaName, key: string) => Ability
  /** What a key's value is chosen from, where the site tells that: its languages, its theme's places. */
  choices?: (area: AreaName, key: string) => readonly string[] | undefined
  /** Why a value can't be given to a key there, where that is not a matter of the key alone. */
  takes?: (area: AreaName, key: string, value: Value, item: AnyItem) => string | undefined
  /** How many entries the list under a key can hold there. */
  atMost?: (area: AreaName, key: string) => number | undefined
  /** Why a system has no such area, where there is more to say than that. */
  without?: (area: AreaName) => string | undefined
  /** What is remembered of the item at a ref as we left it, key by key. */
  left?: (ref: string) => LeftBehind | undefined
  /** Whether an item stood there once, as an earlier run left it. */
  stood?: (ref: string) => boolean
  /** The digest of an item that came with sample content, if it did. */
  sampled?: (ref: string) => string | undefined
  /** Whether an item is one that we made or took over on this site; of `access`, whether it stood there once as documented. */
  ours?: (area: AreaName, found: SomeFound) => boolean
  /** Write planned texts over later edits, and take over what somebody made under a planned name: all of it, or these refs. */
  again?: boolean | readonly string[]
  /** Whether the stored login of an account of ours does not open it any more: somebody else may have it by now. */
  lockedOut?: (username: string) => boolean
  /** Whether an item was left behind by a trial of ours. */
  tried?: (found: SomeFound) => boolean
  /** Whether the owner was asked about an item that came in the first minutes, and wants to remove it. */
  unwanted?: (ref: string) => boolean
  /** True where a run of ours has closed the site to visitors. */
  closed?: boolean
}

/** A remark about an item or a key. */
export interface Remark {
  ref: string
  text: string
}

/** What a baseline and a site have to say to each other. */
export interface Comparison {
  /** In the order in which they would be settled. */
  differences: AnyDifference[]
  /** Left as they are, because somebody made or changed them. */
  kept: Remark[]
  /** What differs and can only be changed by hand. */
  byHand: Remark[]
  /** What can be sent and not read back. */
  unseen: Remark[]
  /** What this system hasn't got. */
  never: Remark[]
  /** Refs of those among them of which the site has others to choose from: a run that has begun on one has failed there. */
  notHere: Remark[]
  /** What is worth knowing beside that. */
  notes: Remark[]
  /** Refs of what neither shipped nor stands in the baseline: any makes it a site in use. */
  others: string[]
  /** Add-ons and themes that neither came with the system nor are planned: a host's, mostly. They stay. */
  extras: Remark[]
  /**
   * Refs of things that came in the site's first minutes and are not known to have shipped. They stay and make no site one in use.
   * The owner can be asked whether to remove them.
   */
  early: string[]
  /** Refs of those whose text stays as somebody changed it. */
  theirTexts: string[]
  /** Keys that stay as somebody changed them, as `products/SQ-0001#price`. */
  theirKeys: string[]
  /** Keys that stand as planned, by the refs of their items. */
  asPlanned: { ref: string; keys: readonly string[] }[]
  /** What planned items and those that stand there are called, and the language in which dates are told. */
  names: Names
  /** What should stand on the site afterwards, area by area; a kept text is the one that is there. */
  settled: { [A in AreaName]?: readonly AnyItem[] }
}

export const emptyComparison = (): Comparison => ({
  differences: [],
  kept: [],
  byHand: [],
  unseen: [],
  never: [],
  notHere: [],
  notes: [],
  others: [],
  extras: [],
  early: [],
  theirTexts: [],
  theirKeys: [],
  asPlanned: [],
  names: { of: {} },
  settled: {},
})

/* Areas, items, plans and differences seen without their own types, as all parts of comparing see them. */
export type SomeArea = ReturnType<typeof areaOf>
/** An item that was found, seen without its own type. */
export type SomeFound = Found<AreaName, AnyItem>
export type SomeDifference = Difference<AreaName, AnyItem>
export type SomePlan = Plan<AnyItem>

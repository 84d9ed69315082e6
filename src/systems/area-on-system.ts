import type { Ability, Difference, Id, ReadItem, Value } from '../core/area.js'
import type { AreaName, Inventory, ItemOf, LookOf, TryOf } from '../core/areas/index.js'
import type { Baseline } from '../core/baseline/schema.js'
import type { Look } from '../looks/look.js'
import type { Trying } from '../looks/trying.js'
import type { Eyes } from './eyes.js'
import type { ArchiveFile, PackageFacts } from './package-facts.js'
import type { SignedIn } from './session.js'
import type { Step } from './step.js'

/** What `translate` may know beside the differences. */
export interface Here {
  /** True in front of a first-run form: only what that form takes is asked for. */
  firstRun: boolean
  baseline: Baseline
  /** What is on the site. */
  inventory: Inventory
}

/** Key by key, what is not simply possible. */
export type Abilities<A extends AreaName> = Partial<Record<keyof ItemOf<A> & string, Ability>> & {
  /** Whether items can be made at all. */
  new?: Ability
}
/** What abilities may depend on. */
export type OnSite = Pick<Here, 'baseline' | 'inventory'>

/** What was kept of an item that was removed. */
export interface Kept<I = object> {
  ref: string
  item: I
  copy: unknown
  /** The bytes of an upload. */
  bytes?: Uint8Array
}

/** An area on a system: what it reads, can, translates and shows. `can`, `ships` and `translate` need no network. */
export interface AreaOnSystem<A extends AreaName, S extends SignedIn = SignedIn> {
  /** Key by key, what is not simply possible; a function where that depends on what is there. */
  can?: Abilities<A> | ((site: OnSite) => Abilities<A>)
  /** For a list: the keys that its items are read with; any other is one that the system has not got. */
  keys?: readonly (keyof ItemOf<A> & string)[]
  /** Why a value can't be given here, where that is not a matter of the key alone. @param item what it is planned for */
  takes?(key: keyof ItemOf<A> & string, value: Value, item: ItemOf<A>, baseline: Baseline): string | undefined
  /** How many entries a list can hold here: what is planned beyond them is told, and left out. */
  atMost?: { [K in keyof ItemOf<A> & string]?: number }
  read(session: S, baseline: Baseline): Promise<ReadItem<ItemOf<A>>[]>
  /**
   * The same items again, right before one of them is changed or removed. Where a removal takes along what is inside, at least
   * the place of every other item as well. Where left out, everything is read again.
   */
  readAgain?(
    session: S,
    found: readonly { id: Id; copy?: unknown }[],
    baseline: Baseline,
  ): Promise<ReadItem<ItemOf<A>>[]>
  /** What the values of keys are chosen from, as the site tells now; keys of which that is not known are left out. */
  choices?(session: S, baseline: Baseline): Promise<{ [K in keyof ItemOf<A> & string]?: readonly string[] }>
  /** Left out where an area is only looked at. */
  translate?(differences: readonly Difference<A, ItemOf<A>>[], here: Here): Step[]
  /** Steps that make a removed item again from what was kept of it; those of `translate` where left out. */
  again?(kept: Kept<ItemOf<A>>): Step | Step[]
  /** What will stand here after the first-run form, or after installing; nothing where left out. */
  ships?(baseline: Baseline, version: string): ReadItem<ItemOf<A>>[]
  /** Where visitors found what shipped, in the baseline's language. */
  shippedAt?(baseline: Baseline): string[]
  /** How visitors see it here, look by look: where looks need to know a place, or are this area's own. */
  looks?: { [L in LookOf<A>['look']]?: Look<Extract<LookOf<A>, { look: L }>> }
  /** Looking and acting through the eyes of each, where the area is about who may do what. */
  eyes?: Eyes
  /** Tries out what only trying shows. */
  try?(...asked: Parameters<Trying<TryOf<A>, S>>): ReturnType<Trying<TryOf<A>, S>>
  /** Takes away again whatever bears the mark of a trial. */
  takeAway?(session: S, mark: string): Promise<void>
  /**
   * Makes void what bears the mark and can't be taken away. @param hide keeps a text out of every record and output
   * @returns the site's own numbers of it: it stays
   */
  makeVoid?(session: S, mark: string, hide: (text: string) => void): Promise<Id[]>
  /** Knows what the area's items are made of in an archive's files. */
  packages?(files: readonly ArchiveFile[]): Promise<PackageFacts[]>
  /** Closes the site to visitors while it is settled; for the area that lets them in. */
  closes?(baseline: Baseline): Step
}

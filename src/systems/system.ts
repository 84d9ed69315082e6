import type { Ability, Difference, Id, ReadItem, SeenAction } from '../core/area.js'
import type { AreaName, Inventory, ItemOf, Reading } from '../core/areas/index.js'
import type { Baseline } from '../core/baseline/schema.js'
import type { Recognised } from '../core/findings.js'
import type { Package, Packages } from '../core/package.js'
import type { Secret } from '../core/secret.js'
import type { Answer } from '../web/answer.js'
import type { Visitor } from '../web/visitor.js'
import type { Shelf } from './shelf.js'
import type { Step } from './step.js'

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

/** What recognising may use: the front page, and a few more looks. */
export interface Look {
  front: Answer
  /** Looks at a place of the site; `undefined` when there was no answer or the survey's looks are used up. */
  get(place: string): Promise<Answer | undefined>
}

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

/** An area on a system: read, can, translate. `can` and `translate` need no network. */
export interface AreaOnSystem<A extends AreaName, S extends SignedIn = SignedIn> {
  /** Key by key, what is not simply possible; a function where that depends on what is there. */
  can?: Abilities<A> | ((site: OnSite) => Abilities<A>)
  read(session: S, baseline: Baseline): Promise<ReadItem<ItemOf<A>>[]>
  /** Left out where an area is only looked at. */
  translate?(differences: readonly Difference<A, ItemOf<A>>[], here: Here): Step[]
  /** Steps that make a removed item again from what was kept of it; those of `translate` where left out. */
  again?(kept: Kept<ItemOf<A>>): Step | Step[]
}

/** A file in an archive. */
export interface ArchiveFile {
  path: string
  text(): Promise<string>
}
/** What an adapter says of a theme or add-on in an archive. */
export interface PackageFacts extends Omit<Package, 'bytes' | 'place'> {
  /** Its folder within the archive; '' where it lies open in it. */
  folder: string
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
  /** Keys of the baseline that its first-run form can't do without; left out where it has no such form on the web. */
  firstRunNeeds?: readonly string[]
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
  /** Knows themes and add-ons in an archive's files. */
  packages?: Record<keyof Packages, (files: readonly ArchiveFile[]) => Promise<PackageFacts[]>>
  /** The dashboard's main screens, eight at least. */
  screens: readonly Screen[]
  /** Known from outside? Read-only, and sparing with looks. */
  recognise(look: Look): Promise<Recognised | undefined>
  /** Signs in; `undefined` if the login is refused. */
  signIn(visitor: Visitor, login: Login): Promise<S | undefined>
  /** What will stand there after the first-run form, as expected. */
  ships(baseline: Baseline): Reading
  /** Signs of trouble on a screen of the dashboard, in an owner's words; `undefined` if there are none. */
  trouble(answer: Answer, screen: Screen): string | undefined
  /** Where visitors find the feed. */
  feed?: string
  /** Where visitors make accounts, and whether its answer lets them. */
  signUp?: {
    place: string
    isOpen(answer: Answer): boolean
    /** What a new account waits for, as that page tells. */
    approval?(answer: Answer): 'none' | 'email' | 'staff' | undefined
    /** Where the question stands that keeps machines out, where that is another place; and the question. */
    question?: { place: string; of(answer: Answer): string | undefined }
  }
  /** Looking at forums as visitor, member and owner. */
  eyes?: Eyes
  /** What pays a debt by itself, by the debt's name. */
  debts?: Readonly<Record<string, () => Step>>
  /** Closes the site to visitors while it is settled. */
  closes?(baseline: Baseline): Step
  /** Whether a page of the public site wears a theme. */
  wears?(html: string, use: string): boolean
  /** Whether a post's address by one rule leads on to the one it has by another (URI Templates). */
  leadsOn?(before: string, after: string): boolean
  /** A visitor's comment, for trying the rules: written under a post, and taken away again. */
  trial?: {
    comment(visitor: Visitor, post: Answer, text: string): Promise<'shown' | 'held' | 'refused'>
    remove(session: S, text: string): Promise<void>
  }
  /** Where visitors found what shipped, in the baseline's language, and which area it belongs to. */
  shippedPlaces(baseline: Baseline): { area: AreaName; place: string }[]
  /** Whether a page of the public site shows a text that the system ships. */
  showsShippedText(html: string, home: string): boolean
}

/** A forum as those who look are shown it. */
export interface LookedAt {
  ref: string
  id: Id
}
/** What may be done in a forum, as somebody's own public session tells. */
export type Seen = Readonly<Record<SeenAction, boolean>>

/** Looking at forums through many eyes, on the public side. */
export interface Eyes {
  /** How many sign-ins beside the owner's it bears in one run. */
  signIns: number
  /** Signs in on the public side; false if the login is refused. */
  signIn(visitor: Visitor, login: Login): Promise<boolean>
  signOut(visitor: Visitor): Promise<unknown>
  /** What this visitor may do in each of the forums, by its ref; as few requests as will do. */
  look(visitor: Visitor, forums: readonly LookedAt[]): Promise<ReadonlyMap<string, Seen>>
  /** Starts a topic, or replies to one; gives what was started, or undefined where that was refused. */
  write(visitor: Visitor, where: { forum: LookedAt } | { topic: Id }, text: string): Promise<Id | undefined>
  /** Takes away every topic with this text in its title. */
  remove(session: SignedIn, text: string): Promise<void>
}

const needed: (keyof System)[] = ['id', 'name', 'areas', 'screens', 'recognise', 'signIn', 'ships']

/** Whether something is a system, as far as its shape tells: for adapters that come from outside. */
export const isSystem = (value: unknown): value is System =>
  typeof value === 'object' && value !== null && needed.every((key) => key in value)

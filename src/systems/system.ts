import type { Ability, Difference, ReadItem } from '../core/area.js'
import type { AreaName, ItemOf, Reading } from '../core/areas/index.js'
import type { Baseline } from '../core/baseline/schema.js'
import type { Recognised } from '../core/findings.js'
import type { Secret } from '../core/secret.js'
import type { Answer } from '../web/answer.js'
import type { Visitor } from '../web/visitor.js'
import type { Shelf } from './shelf.js'
import type { Step } from './step.js'

export interface Login {
  username: string
  password: Secret
}

/** Somebody at the site: a browser, and what was read through it. */
export interface Session {
  visitor: Visitor
  shelf: Shelf
}
/** Somebody who is signed in. */
export interface SignedIn extends Session {
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
}

/** An area on a system: read, can, translate. `can` and `translate` need no network. */
export interface AreaOnSystem<A extends AreaName, S extends SignedIn = SignedIn> {
  /** Key by key, what is not simply possible. */
  can?: Partial<Record<keyof ItemOf<A> & string, Ability>>
  read(session: S): Promise<ReadItem<ItemOf<A>>[]>
  /** Left out where an area is only looked at. */
  translate?(differences: readonly Difference<A, ItemOf<A>>[], here: Here): Step[]
  /** A step that makes a removed item again from its copy. */
  again?(copy: unknown): Step
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
  /** Keys of the baseline that its first-run form can't do without. */
  firstRunNeeds: readonly string[]
  areas: { [A in AreaName]?: AreaOnSystem<A, S> }
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
  feed: string
  /** Where visitors found what shipped, in the baseline's language, and which area it belongs to. */
  shippedPlaces(baseline: Baseline): { area: AreaName; place: string }[]
  /** Whether a page of the public site shows a text that the system ships. */
  showsShippedText(html: string, home: string): boolean
}

const needed: (keyof System)[] = ['id', 'name', 'areas', 'screens', 'recognise', 'signIn', 'ships']

/** Whether something is a system, as far as its shape tells: for adapters that come from outside. */
export const isSystem = (value: unknown): value is System =>
  typeof value === 'object' && value !== null && needed.every((key) => key in value)

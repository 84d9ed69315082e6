import type { Baseline, System } from 'unpack'
import type { Snapshot } from './snapshot.js'
import type { StandInSite } from '../../stand-ins/common/server/site.js'

/** Something on a site, as its stand-in keeps it. */
export type Thing = { id: number | string } & Record<string, unknown>

/** What a plan may say of one thing: the values that each key can have; `undefined` leaves the key out. */
export interface Wish {
  /** As the owner reads it: `pages/news`. */
  ref: string
  values: Readonly<Record<string, readonly unknown[]>>
}

/** What a plan says just now, by ref and key. It is all that this suite knows of planning. */
export type Plan = ReadonlyMap<string, Readonly<Record<string, unknown>>>

/** What a person can do to a field: the value that they give it. `word` stands in nobody else's text. */
export type Edit = (thing: Thing, word: string, number: number) => unknown

/** A stand-in, what may be planned for it, and what people may do there. */
export interface Site {
  running: StandInSite
  system: System
  /** Whether it is set up: before that, nobody can do anything there. */
  isThere(): boolean
  /** The logins that its host has handed over. */
  logins: readonly { username: string; password: string; temporary?: true }[]
  /** Refs of which every plan says something. */
  always: readonly string[]
  wishes: readonly Wish[]
  baseline(address: string, plan: Plan, isShippedRemoved: boolean): Baseline
  /** Everything on the site, as it is: whoever changes it changes the site. */
  rooms(): Readonly<Record<string, Thing[]>>
  settings(): Thing
  /** The ref under which a plan would name something, or a setting. */
  refOf(room: string, thing: Thing, field?: string): string
  /** What stands on the site when a wish is fulfilled. */
  expects(ref: string, values: Readonly<Record<string, unknown>>, plan: Plan): Readonly<Record<string, unknown>>
  /** Who may do what with something: `read everyone`, `edit group 7`. */
  audience(room: string, thing: Thing): readonly string[]
  /** The same as a plan has it; `undefined` where it says nothing of it. */
  plannedAudience(plan: Plan, ref: string): readonly string[] | undefined
  /** What an account is: its role, and its groups as `group 7`. */
  standing(account: Thing): readonly string[]
  plannedStanding(plan: Plan, account: Thing): readonly string[]
  /** What else a request must not have done here. */
  forbids?(plan: Plan, before: Snapshot, after: Snapshot): string[]
  /** Fields that a person edits, by room. */
  edits: Readonly<Record<string, Readonly<Record<string, Edit>>>>
  /** What people add: under a name that a plan may have as well, or one of their own. */
  adds: Readonly<Record<string, (name: string, word: string) => Thing>>
  /** Tidies up behind something that a person removed. */
  removed?(room: string, thing: Thing): void
}

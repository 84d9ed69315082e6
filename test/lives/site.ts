import type { Baseline, System } from 'unpack'
import type { Snapshot } from './snapshot.js'
import type { StandInSite } from '../../stand-ins/common/server/site.js'

/** Something on a site, as its stand-in keeps it. */
export type Thing = { id: number | string } & Record<string, unknown>

/** An item that a plan may contain: the values that each key can have; `undefined` leaves the key out. */
export interface Plannable {
  /** As the owner reads it: `pages/news`. */
  ref: string
  values: Readonly<Record<string, readonly unknown[]>>
}

/** A plan: values by ref and key. */
export type Plan = ReadonlyMap<string, Readonly<Record<string, unknown>>>

/** The value that a person gives to a field. @param word one that is in no other text */
export type Edit = (thing: Thing, word: string, number: number) => unknown

/** A stand-in, what a plan may contain for it, and what people may do there. */
export interface Site {
  running: StandInSite
  system: System
  /** Whether it is set up. Before that, people can do nothing there. */
  isThere(): boolean
  /** The logins that the host has handed over. */
  logins: readonly { username: string; password: string; temporary?: true }[]
  /** Refs that are in every plan. */
  always: readonly string[]
  plannable: readonly Plannable[]
  baseline(address: string, plan: Plan, isShippedRemoved: boolean): Baseline
  /** Everything on the site. To change it is to change the site. */
  rooms(): Readonly<Record<string, Thing[]>>
  settings(): Thing
  /** The ref by which a plan names a thing, or a setting. */
  refOf(room: string, thing: Thing, field?: string): string
  /** The fields of the thing on the site once it is as planned. */
  expects(ref: string, values: Readonly<Record<string, unknown>>, plan: Plan): Readonly<Record<string, unknown>>
  /** Who may do what with something: `read everyone`, `edit group 7`. */
  audience(room: string, thing: Thing): readonly string[]
  /** The same in a plan; `undefined` where the plan does not contain it. */
  plannedAudience(plan: Plan, ref: string): readonly string[] | undefined
  /** What an account is: its role, and its groups as `group 7`. */
  standing(account: Thing): readonly string[]
  plannedStanding(plan: Plan, account: Thing): readonly string[]
  /**
   * Other faults of a request on this kind of site, in words.
   * @param isUnread whether a person has set a field so late that the run could not have read it
   */
  forbids?(before: Snapshot, after: Snapshot, isUnread: (key: string, field: string) => boolean): string[]
  /** Fields that people edit, by room. */
  edits: Readonly<Record<string, Readonly<Record<string, Edit>>>>
  /** A field for which the site gives new things a value: it can't be told from a person's. */
  hasDefault?: string
  /** Things that people add, by room. The name may be one that a plan has as well. */
  adds: Readonly<Record<string, (name: string, word: string) => Thing>>
  /** Whether a change, as `orders/12#state`, is a trace that a trial may leave. */
  isTrace?(change: string): boolean
  /** Removes what refers to a thing that a person removed. */
  removed?(room: string, thing: Thing): void
}

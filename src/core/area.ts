import type { z } from 'zod'
import type { Baseline } from './baseline/schema.js'
import type { AddMistake } from './baseline/mistake.js'
import type { NamedFile } from './baseline/named-files.js'
import type { NamedItem, PlainGroup } from './baseline/plain-values.js'
import type { Attempt, EyesOf, Expectation, OwnLook } from './looking.js'
import type { WantedPackage } from './package.js'
import type { Held } from './held.js'
import type { Ref } from './ref.js'
import type { Marks, Origin } from './shipped.js'
import type { Sample } from './text/sample.js'

/** A field's value. Plain data only, so that items can be compared, printed and kept in a journal. */
export type Value = string | number | boolean | null | readonly Value[] | { readonly [key: string]: Value }
/** One thing on a site, in core's words; a field that is left out is left alone. */
export type ItemShape = object

/** What a system calls an item by; never leaves the adapter and the engine. */
export type Id = string | number

/** An item as an adapter reads it. */
export interface ReadItem<I extends ItemShape> {
  item: I
  id: Id
  /** Left out where nothing of this kind ships. */
  marks?: Marks
  /** Where a visitor finds it, as a whole address. */
  address?: string
  /** Enough to make it again, for the record. */
  copy?: unknown
  /** Where its bytes are to be had, for the record: they are kept beside the copy. */
  file?: string
  /** When it was made, as the system tells: it tells it from another with the same number on another site. */
  stamp?: string
  /** A text of it in which the mark of a trial may stand. */
  text?: string
  /** Values as the site itself has them, where the item tells them in the plan's terms: they alone show what somebody changed. */
  stored?: PlainItem
}

/** An item on the site, under its ref. */
export interface Found<N extends string = string, I extends ItemShape = ItemShape> {
  ref: Ref<N>
  id: Id
  item: I
  origin: Origin
  hidden: boolean
  needed?: boolean
  address?: string
  copy?: unknown
  file?: string
  stamp?: string
  text?: string
  stored?: PlainItem
}

/** An item as the baseline wants it. */
export interface Plan<I extends ItemShape = ItemShape> {
  item: I
  /** The ref under which it may still stand (the baseline's `was`). */
  was?: string
  /** Only the last part of that is known: what stood elsewhere is meant where it is the only one. */
  wasAnywhere?: true
  /** It takes over what the system ships in its place. */
  replacesShipped?: boolean
  /** The baseline says itself that what stands there is the owner's to settle. */
  ours?: boolean
  /** It is what the baseline leaves out: wanted of what we have made, until it stood there once. */
  whileNew?: boolean
}

/** One thing that is not as planned. */
export type Difference<N extends string = string, I extends ItemShape = ItemShape> = { area: N; ref: Ref<N> } & (
  | { is: 'missing'; wanted: I }
  | {
      is: 'different'
      wanted: I
      found: Found<N, I>
      fields: readonly (keyof I & string)[]
      /** Fields that this run has settled already, with what stood there before. */
      before?: readonly { key: string; found: Held }[]
      /** Something of somebody's is written over: it is copied first. */
      overwrites?: true
      /** It lets more people see what holds somebody's items. */
      opens?: true
    }
  | { is: 'left over'; found: Found<N, I>; because: string; fallsWith?: string }
)

/** A question by which an owner can be asked for a key of the baseline. */
export interface Question {
  /** The key, as in `site.title`. */
  key: string
  ask: string
}

/** Whether a system can be given a key of an area, and if not, what the owner can do; `none`: it has no such key. */
export type Ability = 'can' | 'unseen' | 'none' | { byHand: string } | { never: string }

/** What should stand on the site, by area and field by field. */
export type AsPlanned = Readonly<Record<string, readonly Readonly<Record<string, Value | undefined>>[] | undefined>>

/** An item seen without its own type. */
export type PlainItem = Readonly<Record<string, Value | undefined>>

/** An item that stands there, and whether it is ours. */
export interface StandingItem {
  item: PlainItem
  isOurs: boolean
}

/**
 * One side of a site. Adding one means a file like this, a line in `areas/index.ts`, and files of the same name in systems.
 * `L` are the looks that it has for itself alone, `T` its tries.
 */
export interface Area<N extends string, I extends ItemShape, L extends OwnLook = never, T extends object = never> {
  name: N
  /** What an owner calls it: `categories`. */
  title: string
  /** Its key in the baseline, where that is not its name. */
  key?: string
  /** One item, or a list that means at least these. */
  list: 'one' | 'at least'
  /** Areas that change what is possible here: settled and read before these differences are translated. */
  follows?: readonly string[]
  /** Settled when nothing else is open any more, and not at all where something failed. */
  last?: true
  /** The item's fields, in the order in which an owner reads them. */
  keys: readonly (keyof I & string)[]
  /** Keys that are told of an item that is missing, beside what it is called. */
  toldWhenMissing?: readonly string[]
  /** What may be removed of what shipped, as the baseline's `shipped` calls it. */
  shipped?: string
  /** Keys that are to be empty only because what shipped in them goes, also of an item that the file takes over. */
  empties?: readonly string[]
  /** The names by which the baseline says that items are to go. */
  gone?: z.ZodType<string[]>
  /** What to ask an owner for it, in plain words. */
  questions?: readonly Question[]
  /** Its items in the plain values of a file, by their names: each stands there once. */
  named?(values: PlainGroup): NamedItem[]
  /** The files that its items name, in the plain values of a file. */
  files?(values: PlainGroup): NamedFile[]
  /** What no schema can see. */
  mistakes?(values: PlainGroup, add: AddMistake): void
  /** Its items among those that sample content brings. */
  sampled?(sample: Sample, baseline: Baseline): I[]
  /** The ref an item goes by. */
  ref(item: I): Ref<N>
  /** What the baseline wants here; an area that is only looked at wants nothing. */
  plan(baseline: Baseline): Plan<I>[]
  /** Fields that hold refs (one, a list, or groups with a `ref`): what must stand before. */
  links?: readonly (keyof I & string)[]
  /** The link whose removal takes this item along. */
  within?: keyof I & string
  /** The link to what it stands under, which is not removed as long as it stays. */
  under?: keyof I & string
  /** What of an item stays when it is moved: one of ours that stands elsewhere is moved to a plan of the same, where just one fits. */
  stays?(item: I): string
  /** What it lives within is never removed as long as it is there and stays. */
  keepsHolder?: true
  /** How the baseline takes over one that shipped and can't go. */
  takenOver?: string
  /** Why an item that no plan means goes, where the baseline says so in its own way. */
  goes?(item: I, baseline: Baseline): string | undefined
  /** What somebody made under a planned name stays theirs. */
  guarded?: true
  /** Fields that systems may take in a step of their own, once the item is there: they don't tell whose it is. */
  apart?: readonly (keyof I & string)[]
  /** Those of them in which a new item is closed at first: if one is open, a person has opened it. */
  closedAtFirst?: readonly (keyof I & string)[]
  /** What makes an item that we did not make somebody's, even where it stands as planned. */
  strange?(item: I, baseline: Baseline, items: (area: string) => readonly StandingItem[]): string | undefined
  /** Refs that it gives rights to, or whose rights it changes: none of them may be somebody's. */
  trusts?(item: I, baseline: Baseline): string[]
  /** The link to what it is a side of. */
  sideOf?: keyof I & string
  /** A planned item, beside others that stay as they stand. */
  beside?(item: I, standing: readonly I[], baseline: Baseline): I
  /** Whether more people would see something. */
  opens?(wanted: I, found: I): boolean
  /** Items that stand in one without going with it: a container that holds something of somebody's stays. */
  holds?: readonly { area: string; by: string }[]
  /** Programs rather than content: what nobody planned is nobody's work. It stays, and makes no site one in use. */
  software?: true
  /** What a trial of ours has left of these for good: it stays, and makes no site one in use. */
  oursStay?: true
  /** Why one that goes can't be given back from what is kept of it. */
  unkept?: string
  /** Fields that an item can't do without: where a system has no such thing, it is left alone and told. */
  must?: readonly (keyof I & string)[]
  /** Fields that no key of the file asks for by name: where a system hasn't got them, nothing is told. */
  unsaid?: readonly (keyof I & string)[]
  /** Fields that are the owner's once they edited them. */
  texts?: readonly (keyof I & string)[]
  /** Fields that hold an order: a list, or an item's place among others. */
  ranks?: readonly (keyof I & string)[]
  /** Lists of which an item has at least what is planned: what we gave ends when the file no longer names it, other entries stay. */
  atLeast?: readonly (keyof I & string)[]
  /** The plan for an item out of whose list entries are to go. */
  without?(item: I, key: string, ended: readonly string[]): I
  /** Fields whose change by a person makes it a question of its own to let the item see more; any text of its own where left out. */
  vouches?: readonly (keyof I & string)[]
  /** Fields that no person sets: they are always brought to the plan. All others are the owner's once they changed them. */
  settledAlways?: readonly (keyof I & string)[]
  /** Fields that are sent when an item is made, and never after: what stands there counts from then on. */
  onlyNew?: readonly (keyof I & string)[]
  /** Keys that are counted in a unit which another area has: they are not written as long as that is another one there. */
  countedIn?: Readonly<Record<string, readonly { area: string; key: string }[]>>
  /** Why a key is the owner's to change by hand, as things stand there. */
  fixed?(key: keyof I & string, found: (area: string) => readonly Found[]): string | undefined
  /** True if two values of a field mean the same; plain equality where left out. */
  same?(key: keyof I & string, wanted: Value, found: Value): boolean
  /** What an owner calls an item: `the page “Visit us”`. */
  call(item: I): string
  /** A field and its value in an owner's words, where its name alone won't do. */
  say?(key: keyof I & string): string
  /** A field's value in an owner's words; nothing where its plain text will do. @param language the site's, for dates */
  show?(key: keyof I & string, value: Value, language?: string): string | undefined
  /** What visitors should see of these items. */
  expect?(items: readonly I[], baseline: Baseline, settled: AsPlanned): Expectation<L>[]
  /** The rule that an item takes over for good when it is made: remembered of each, since no later rule is seen on it. */
  madeUnder?(baseline: Baseline): Value | undefined
  /** What only trying shows, for `confirm --try`. @param shipped what the system ships in place of the item, where that is known */
  tries?(baseline: Baseline, found: (ref: string) => Found | undefined, shipped: I | undefined): Attempt<T>[]
  /** What some may do in its items, or in what they are a side of, and others not. */
  eyes?: EyesOf<I>
  /** What there is to see at a glance of a plan, row by row. */
  rows?(baseline: Baseline): object[]
  /** The user name of the account that an item is: it gets a password of its own before it is sent. */
  account?(item: I): string
  /** The archives that its items come from. */
  packages?(baseline: Baseline): WantedPackage[]
  /** It lets visitors in: where the baseline asks for that, it is closed first and opened when all else is settled. */
  gate?: { opened: I; closed: I; isClosed(item: I): boolean; asked(baseline: Baseline): 'never' | 'now' | 'settled' }
}

import type { SiteAddress } from '../core/address.js'
import type { LeftBehind } from '../core/comparing/left.js'
import type { JournalLine, Report } from '../core/report/report.js'
import type { Guard } from '../logins/guard.js'
import type { StateFile } from './state-file.js'
import type { Intent, Made } from './under-way.js'

/** A lock on a site, held. */
export interface HeldLock {
  /** @throws UnpackError `lock-lost` where another run has taken over */
  stillOurs(): Promise<void>
  end(): Promise<void>
}

/** What is remembered of a site between runs: which items and texts are ours, what is owed, and that a run is at work. */
export interface Memory {
  /** Where it is kept, in its keeper's words. */
  readonly folder: string
  /** What there is to say of how it was found. */
  readonly told: readonly string[]
  readonly all: StateFile
  /** What is remembered of the item at a ref as we left it, key by key. */
  left(ref: string): LeftBehind | undefined
  /** Values that were left, by ref and key; they take the place of what was remembered of those keys. */
  /** @param anew refs of items that were made: marks of an earlier item of that name go */
  leave(left: Readonly<Record<string, LeftBehind>>, anew?: ReadonlySet<string>): Promise<void>
  /** What is remembered under a name: that an item stood there once, say. */
  written(name: string): string | undefined
  /** The digest of an item that came with sample content. */
  sampled(ref: string): string | undefined
  remember(digests: Record<string, string>, samples?: Record<string, string>): Promise<void>
  /** Whether an item is one that we made or took over on this site. */
  isOurs(area: string, key: string): boolean
  /** Keys of items of an area that are ours. */
  ours(): Readonly<Record<string, readonly string[]>>
  own(keys: readonly { area: string; key: string }[]): Promise<void>
  /** What a run was about to write when it ended, and what it knows to have made. */
  readonly underWay: { intents: readonly Intent[]; made: readonly Made[] }
  /** What is about to be written, by name and values: kept before the write. */
  intend(intents: readonly Intent[]): Promise<void>
  /** What was made, by the number that the site has told. */
  make(made: readonly Made[]): Promise<void>
  /** The site refused to make these: an item of that name is someone else's. */
  dropIntents(refs: readonly string[]): Promise<void>
  /** Everything that was under way was seen on the site since. */
  arrived(): Promise<void>
  /** What tells this site from another at the same address. */
  readonly imprint: readonly string[]
  imprinted(imprint: readonly string[]): Promise<void>
  /** Another site stands at the address: what was known of the one before counts no more. */
  forget(): Promise<void>
  /** What is remembered goes along to another address of the same site. */
  takeOver(before: Memory): Promise<void>
  /** Goes on for a run that holds the lock already, by another name of the same address. */
  share(): Promise<void>
  /** Debts that no step has paid yet; one is kept before the step that makes it. */
  readonly debts: readonly string[]
  owe(debt: string): Promise<void>
  paid(debt: string): Promise<void>
  /** Marks of what trials have written and not yet taken away. */
  readonly trials: readonly string[]
  tries(mark: string): Promise<void>
  tried(mark: string): Promise<void>
  /** Whether it was us who closed the site to visitors. */
  readonly closed: boolean
  close(closed: boolean): Promise<void>
  /**
   * Keeps other runs off the site; from now on this run remembers.
   * @throws UnpackError `locked`
   */
  lock(): Promise<HeldLock>
}

/** A file that is kept as it comes. */
export interface KeptFile {
  /** Its name within the record. */
  name: string
  add(part: Uint8Array): Promise<void>
  /** Ends it; gives its size and its SHA-256 as 64 hex digits. */
  end(): { bytes: number; sha256: string }
  /** Takes it away again: it is not whole. */
  drop(): void
}

/** A text that is kept as it comes; under its own name only when it is whole. */
export interface KeptText {
  add(piece: string): void
  end(): void
}

/** The record of a run: its journal, copies of what it removed, pages that were not as expected, and its report. */
export interface RunRecord {
  readonly folder: string
  /** Adds a line to the journal; it is kept when this returns. */
  journal(entry: Omit<JournalLine, 'journal' | 'at'>): void
  /** Keeps a copy of what is about to be removed; gives its name within the record. */
  keepCopy(ref: string, copy: object): string
  /** Keeps a file that is about to be removed, as it comes. */
  keepFile(ref: string): KeptFile
  /** Keeps a page that was not as expected; gives its name within the record. */
  keepPage(name: string, text: string): string
  /** Keeps the run's account for people, for programs and for what shows test results. */
  report(report: Report): void
  /** Opens what was asked of the site and answered: a HAR log, which comes piece by piece. */
  exchange(): KeptText
}

/** What keeps what outlives a run: on this machine's disk, or wherever a program wants it. */
export interface Keeping {
  memory(address: SiteAddress): Promise<Memory>
  /** @param guard knows what must not be in it */
  record(address: SiteAddress, started: Date, guard: Guard): RunRecord
}

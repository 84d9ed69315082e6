import type { ChildProcess } from 'node:child_process'
import type { Baseline, SettleOptions, System } from 'unpack'
import type { TroubledSite } from '../../stand-ins/faults/proxy.js'

/** A site behind a server that troubles what passes by, with everything that tells whether a run did right. */
export interface World {
  name: string
  /** Where it answers through that server. */
  address: string
  proxy: TroubledSite
  system: System
  options: Omit<SettleOptions, 'logins'> & Required<Pick<SettleOptions, 'logins' | 'state' | 'records'>>
  plan: Baseline
  /** Settles as a process of its own, where the command line can't. */
  spawn?(): ChildProcess
  /** The folder in which its mails are kept. */
  mails?: string
  /** All that is on the site, as plain data; without numbers and times. */
  state(): unknown
  /** What somebody had there and has no more. */
  lost(): string[]
  /** What stands there more than once. */
  twice(): string[]
  /** Strangers who may more than they should. */
  letIn(): string[]
  close(): Promise<void>
}

/** Milliseconds within which an answer has to be whole, for runs on this machine. */
export const PATIENCE = 1_500

/** The same where nothing is to go wrong, on a machine that has other things to do as well. */
export const CALM = { patience: 60_000 }

/** The names that stand in a list more than once. */
export const repeated = (names: readonly string[]): string[] => [
  ...new Set(names.filter((name, index) => names.indexOf(name) !== index)),
]

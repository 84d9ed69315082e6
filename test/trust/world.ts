import type { ChildProcess } from 'node:child_process'
import type { Baseline, SettleOptions, System } from 'unpack'
import { troubled, type TroubledSite } from '../../stand-ins/faults/proxy.js'

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

interface Closed {
  close(): Promise<unknown>
}
const open = new Set<() => Promise<void>>()

/** A stand-in behind a server that troubles what passes by. @param others what is closed with it */
export async function behindTrouble(
  site: Closed & { listen(port: number): Promise<string> },
  ...others: readonly Closed[]
): Promise<Pick<World, 'address' | 'proxy' | 'close'>> {
  const proxy = await troubled(Number(new URL(await site.listen(0)).port))
  const close = async () => {
    open.delete(close)
    for (const one of [proxy, site, ...others]) await one.close()
  }
  open.add(close)
  return { address: `http://127.0.0.1:${proxy.port}/`, proxy, close }
}

/** Closes what a failure has left open: a test file would never end otherwise. */
export const closeWorlds = async (): Promise<void> => {
  for (const close of open) await close()
}

/** Milliseconds within which an answer has to be whole, for runs on this machine. */
export const PATIENCE = 1_500

/** The same where nothing is to go wrong, on a machine that has other things to do as well. */
export const CALM = { patience: 60_000 }

/** The names that stand in a list more than once. */
export const repeated = (names: readonly string[]): string[] => [
  ...new Set(names.filter((name, index) => names.indexOf(name) !== index)),
]

import type { System } from '../systems/system.js'

/** Systems, or what loads them when something answers that has to be known. */
export type Systems = readonly System[] | (() => Promise<readonly System[]>)

/** The systems to know; those that Unpack brings where none are named. Their code is loaded here, and not before. */
export async function knownSystems(systems?: Systems): Promise<readonly System[]> {
  if (typeof systems === 'function') return systems()
  return systems ?? (await import('../systems/index.js')).builtIn
}

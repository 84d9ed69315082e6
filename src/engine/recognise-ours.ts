import type { Inventory } from '../core/areas/index.js'
import { openedByLogin } from './opened-by-login.js'
import { holdsOurs } from './ownership.js'
import { arrivedIn } from './arrived.js'
import type { Run } from './run.js'

/**
 * Brings what is remembered of a site together with what was read there: whether it is the same site, and what a run that
 * ended too early has made.
 * @param isFirst whether this run has read nothing yet: what is under way is of one that has ended
 * @param imprint what tells this site from others; empty where it can't be read
 */
export async function recogniseOurs(
  run: Run,
  inventory: Inventory,
  imprint: readonly string[],
  isFirst: boolean,
): Promise<void> {
  const { state } = run
  const hasBoth = state.imprint.length > 0 && imprint.length > 0
  // without imprints it is the same site as long as something of ours is there
  const isKnown = hasBoth ? imprint.some((one) => state.imprint.includes(one)) : holdsOurs(inventory, state.ours())
  if (!isKnown) await state.forget()
  await state.imprinted(imprint)
  const { owned, left, anew } = arrivedIn(inventory, state.underWay, isFirst)
  await state.own(owned)
  await state.leave(left, anew)
  await state.arrived()
  await state.own(await openedByLogin(run, inventory))
}

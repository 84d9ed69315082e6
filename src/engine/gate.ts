import type { SomeFound } from '../core/comparing/result.js'
import { onSystem } from '../systems/abilities.js'
import { areaNames, areaOf, type AnyDifference, type Inventory, type AnyItem } from '../core/areas/index.js'
import type { Comparison, Remark } from '../core/compare.js'
import type { Work } from './work.js'
import { carry } from './carrying/carry.js'
import type { Run } from './run.js'
import type { Stock } from './stock.js'

/** The area that lets visitors in. */
const gate = areaNames.find((name) => areaOf(name).gate !== undefined)
const facts = gate && areaOf(gate).gate

/** Whether a difference is about letting visitors in. */
export const opensSite = ({ area }: AnyDifference): boolean => area === gate

/** What there is to say where a run of ours has closed the site and nothing in the plan opens it again. */
export function closedByUs({ state, baseline, site }: Run, inventory: Inventory): Remark[] {
  const [now] = foundIn(inventory)
  if (!gate || !facts || !state.closed || !now || !facts.isClosed(now.item) || facts.asked(baseline) !== 'never')
    return []
  const text = `an earlier run has closed the site to visitors, and the baseline says nothing of that any more: open it in the dashboard at ${site.home}, or write “open” into the baseline`
  return [{ ref: gate, text }]
}

/** What of an item is a yes or no, as the journal keeps it. */
const plain = (item: AnyItem): Record<string, boolean> =>
  Object.fromEntries(Object.entries(item).filter((pair): pair is [string, boolean] => typeof pair[1] === 'boolean'))

const foundIn = (inventory: Inventory): readonly SomeFound[] =>
  ((gate && inventory[gate]) ?? []) as readonly SomeFound[]

/**
 * Closes the site to visitors, where the baseline says so and there is something to settle; gives what opens it again.
 * Somebody's site in use stays open.
 */
export async function closeFirst(
  { run, session, record }: Work,
  { stock, comparison }: { stock: Stock; comparison: Comparison },
  chosen: readonly AnyDifference[],
): Promise<AnyDifference[]> {
  if (!gate || !facts || facts.asked(run.baseline) !== 'settled') return []
  const step = onSystem(run.site.system, gate)?.closes?.(run.baseline)
  const [now] = foundIn(stock.inventory)
  if (!step || !now || facts.isClosed(now.item) || chosen.every(opensSite) || comparison.others.length > 0) return []
  const opens = {
    area: gate,
    ref: now.ref,
    is: 'different',
    found: { ...now, item: { ...now.item, ...facts.closed } },
    wanted: facts.opened,
    fields: Object.keys(facts.opened),
  } as unknown as AnyDifference
  const toOpen: AnyDifference[] = []
  // on disk before: a run that dies behind it has left the site closed
  await run.state.close(true)
  await carry([step], {
    session,
    known: { ids: new Map(), addresses: new Map() },
    secrets: {},
    before: (carrier) => {
      run.account.tell({ is: 'sent', carrier: carrier.name, refs: [opens.ref] })
      record.journal({
        event: 'begun',
        carrier: carrier.name,
        ref: opens.ref,
        was: plain(facts.opened),
        wanted: plain(facts.closed),
      })
    },
    after: (carrier, _load, [outcome]) => {
      const why = outcome?.refused
      if (why === undefined) toOpen.push(opens)
      record.journal({ event: why === undefined ? 'done' : 'refused', carrier: carrier.name, ref: opens.ref, why })
    },
  })
  if (toOpen.length === 0) await run.state.close(false)
  return toOpen
}

import type { AnyDifference } from '../core/areas/index.js'
import type { Comparison } from '../core/compare.js'
import type { SignedIn } from '../systems/system.js'
import { carry } from './carrying/carry.js'
import type { RunRecord } from './record.js'
import type { Run } from './run.js'
import type { Stock } from './stock.js'

/**
 * Closes the site to visitors, where the baseline says so and there is something to settle; gives what opens it again.
 * Somebody's site in use stays open.
 */
export async function closeFirst(
  run: Run,
  session: SignedIn,
  { stock, comparison }: { stock: Stock; comparison: Comparison },
  chosen: readonly AnyDifference[],
  record: RunRecord,
): Promise<AnyDifference[]> {
  const step = run.baseline.site.open?.from === 'settled' ? run.site.system.closes?.(run.baseline) : undefined
  const [now] = stock.inventory.opening ?? []
  const others = chosen.filter(({ area }) => area !== 'opening')
  if (!step || !now?.item.visitors || others.length === 0 || comparison.others.length > 0) return []
  const opens: AnyDifference = {
    area: 'opening',
    ref: 'opening',
    is: 'different',
    found: { ...now, item: { ...now.item, visitors: false } },
    wanted: { visitors: true },
    fields: ['visitors'],
  }
  const toOpen: AnyDifference[] = []
  // on disk before: a run that dies behind it has left the site closed
  await run.state.close(true)
  await carry([step], {
    session,
    known: { ids: new Map(), addresses: new Map() },
    secrets: {},
    before: (carrier) => {
      run.account.tell({ is: 'sent', carrier: carrier.name, refs: ['opening'] })
      record.journal({
        event: 'begun',
        carrier: carrier.name,
        ref: 'opening',
        was: { visitors: true },
        wanted: { visitors: false },
      })
    },
    after: (carrier, _load, [outcome]) => {
      const why = outcome?.refused
      if (why === undefined) toOpen.push(opens)
      record.journal({ event: why === undefined ? 'done' : 'refused', carrier: carrier.name, ref: 'opening', why })
    },
  })
  if (toOpen.length === 0) await run.state.close(false)
  return toOpen
}

import type { Inventory } from '../core/areas/index.js'
import { unitsIn } from '../core/comparing/units.js'
import { digest } from '../core/text/digest.js'
import { UnpackError } from '../core/errors.js'
import type { RunRecord } from './keeping.js'
import { readJournal } from './record-reading.js'
import type { Run } from './run.js'

/** What tells a site from others, without the names in it. */
const whose = ({ state }: Pick<Run, 'state'>): string[] => state.imprint.map((one) => digest(one).slice(0, 16))

/** Writes into a record of which site it is, and in which units that counts. */
export function sayWhose(run: Run, record: RunRecord, inventory: Inventory): void {
  const units = unitsIn(inventory)
  record.journal({ event: 'site', whose: whose(run), ...(Object.keys(units).length > 0 && { units }) })
}

/**
 * A record is given back to its own site alone. Where a system tells nothing of its accounts, or the run ended before it had read
 * anything, there is nothing to compare.
 * @throws UnpackError `record-of-another-site`
 */
export function refuseRecordOfAnother(run: Run, folder: string): void {
  const told = readJournal(folder).flatMap(({ event, whose: its }) => (event === 'site' && its ? its : []))
  const here = new Set(whose(run))
  if (told.length > 0 && here.size > 0 && !told.some((one) => here.has(one)))
    throw UnpackError.of('record-of-another-site', { folder, address: run.site.home })
}

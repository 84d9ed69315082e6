import type { Work } from './work.js'
import { areaNames, areaOf, type AreaName, type Inventory } from '../core/areas/index.js'
import { UnpackError } from '../core/errors.js'
import { foundAt } from '../core/inventory.js'
import type { Attempt } from '../core/looking.js'
import type { Check } from '../core/report/report.js'
import { onSystem } from '../systems/abilities.js'
import { againstPlan } from './against-plan.js'
import { lookFailure } from './error-of.js'
import { watched } from './eyes.js'
import type { RunRecord } from './keeping.js'
import type { Run } from './run.js'
import { takeStock } from './stock.js'
import { takeAwayLeft, withMark } from './trial-marks.js'
import { tryEyes } from './try-eyes.js'

/**
 * Tries out what looking does not show, as the areas say; what was written is taken away again. Every writing is journalled.
 * @throws UnpackError `trial-in-use`
 */
export async function tryOut(run: Run, record: RunRecord): Promise<Check[]> {
  const session = await run.logins.signIn()
  try {
    const work = { run, session, record }
    await takeAwayLeft(work)
    const stock = await takeStock(run, session)
    const comparison = againstPlan(run, stock)
    const { others } = comparison
    if (others.length > 0) throw UnpackError.of('trial-in-use', { address: run.site.home, others })
    const checks: Check[] = []
    for (const one of watched(run, comparison, stock.inventory)) checks.push(...(await tryEyes(work, one)))
    for (const area of areaNames)
      for (const attempt of attemptsOf(run, area, stock.inventory)) {
        const check = await attempted(work, area, attempt, stock.inventory)
        if (check) checks.push(check)
      }
    return checks
  } finally {
    await session.signOut().catch(() => undefined)
  }
}

function attemptsOf({ baseline, site }: Run, area: AreaName, inventory: Inventory): Attempt[] {
  const here = onSystem(site.system, area)
  const shipped = here?.ships?.(baseline)[0]?.item
  return here?.try ? (areaOf(area).tries?.(baseline, (ref) => foundAt(inventory, ref), shipped) ?? []) : []
}

/** Tries one thing; where it writes, with a mark. */
async function attempted(
  work: Work,
  area: AreaName,
  attempt: Attempt,
  inventory: Inventory,
): Promise<Check | undefined> {
  const { run } = work
  const here = onSystem(run.site.system, area)
  const { name, should, words } = attempt
  const act = async (mark: string): Promise<Check | undefined> => {
    try {
      const address = foundAt(inventory, attempt.at)?.address ?? ''
      const text = `Unpack tries the rules of this site (${mark}), and takes this away again.`
      const tried = await here?.try?.(attempt, { visitor: run.site.visitor(), address, text })
      return (
        tried && {
          name,
          as: 'visitor',
          ok: tried.came === should,
          detail: tried.detail ?? words[tried.came] ?? tried.came,
        }
      )
    } catch (error) {
      return { name, as: 'visitor', ok: false, detail: lookFailure(error) }
    }
  }
  return here?.takeAway ? withMark(work, area, act) : act('')
}

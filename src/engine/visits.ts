import { addressText, placeOn } from '../core/address.js'
import { areaNames, areaOf, type AreaName, type Inventory } from '../core/areas/index.js'
import { goesIn } from '../core/baseline/schema.js'
import type { Comparison } from '../core/compare.js'
import { expectations } from '../core/expect.js'
import { foundAt } from '../core/inventory.js'
import type { Expectation, OwnLook } from '../core/looking.js'
import type { Check } from '../core/report/report.js'
import { sharedLook } from '../looks/index.js'
import { bad, good, type Look, type Outcome, type Sight } from '../looks/look.js'
import { shown } from '../looks/shows.js'
import { onSystem } from '../systems/abilities.js'
import { lookFailure } from './error-of.js'
import type { Run } from './run.js'

type Visit = Sight['visit']

/**
 * Looks at the public site as a visitor: every place once, with fresh eyes.
 * @param inventory where items are to be found; without one, only looks that need no item are taken
 * @param oldPlaces further addresses at which something stood that was to go
 */
export async function visits(
  run: Run,
  comparison: Comparison,
  inventory: Inventory | undefined,
  oldPlaces: readonly string[] = [],
): Promise<Check[]> {
  const { visitor, shelf } = run.site.stranger()
  const visit: Visit = (place) => shelf.read(placeOn(run.site.address, place), () => visitor.get(place))
  const expected = expectations(comparison.settled, run.baseline).flatMap((expectation) => {
    const look = lookFor(run, expectation)
    return look && (inventory !== undefined || expectation.at === 'front')
      ? [checked(expectation.name, () => lookAt(expectation, look, run, inventory, visit))]
      : []
  })
  const own = run.baseline.checks.flatMap((check) =>
    'shows' in check
      ? [checked(`${check.at} shows “${check.shows}”`, async () => shown(await visit(check.at), [check.shows]))]
      : [],
  )
  return Promise.all([
    ...expected,
    ...own,
    ...(comparison.others.length === 0
      ? [checked('no text that shipped is left at its old addresses', () => noShippedText(run, visit, oldPlaces))]
      : []),
  ])
}

/** How an area's look is taken here: the system's own way, or the one that all share. */
const lookFor = ({ site }: Run, { area, look }: OwnLook & { area: AreaName }): Look<OwnLook> | undefined =>
  onSystem(site.system, area)?.looks?.[look] ?? sharedLook(look)

async function checked(name: string, look: () => Promise<Outcome>): Promise<Check> {
  try {
    const { ok, seen } = await look()
    return { name, as: 'visitor', ok, detail: seen }
  } catch (error) {
    return { name, as: 'visitor', ok: false, detail: lookFailure(error) }
  }
}

async function lookAt(
  expectation: Expectation<OwnLook>,
  look: Look<OwnLook>,
  run: Run,
  inventory: Inventory | undefined,
  visit: Visit,
): Promise<Outcome> {
  const { at } = expectation
  const found = at === 'front' ? undefined : foundAt(inventory ?? {}, at.ref)
  if (found?.hidden) return good('not to be seen before its time')
  const place = at === 'front' ? '/' : found?.address
  if (place === undefined) return bad('it is not on the site')
  return look(expectation, { place, home: run.site.home, visit })
}

async function noShippedText({ baseline, site }: Run, visit: Visit, oldPlaces: readonly string[]): Promise<Outcome> {
  const places = areaNames.flatMap((area) =>
    goesIn(baseline, areaOf(area).key ?? area) ? (onSystem(site.system, area)?.shippedAt?.(baseline) ?? []) : [],
  )
  const answers = await Promise.all([...new Set([...places, ...oldPlaces])].map(visit))
  const left = answers.find((answer) => site.system.showsShippedText(answer.text, addressText(site.address)))
  return left
    ? bad(`${left.url} still shows a text that shipped`)
    : good(answers.length === 1 ? 'one address' : `${answers.length} addresses`)
}

import { placeOn } from '../core/address.js'
import { areaNames, areaOf, type AreaName, type Inventory } from '../core/areas/index.js'
import { goesIn } from '../core/baseline/schema.js'
import type { Comparison, Remark } from '../core/compare.js'
import { expectations } from '../core/expect.js'
import { foundAt } from '../core/inventory.js'
import type { Expectation, OwnLook } from '../core/looking.js'
import type { Check } from '../core/report/report.js'
import { sharedLook } from '../looks/index.js'
import { bad, good, notLookedAt, type Look, type Outcome, type Sight } from '../looks/look.js'
import { shown } from '../looks/shows.js'
import { onSystem } from '../systems/abilities.js'
import { Shelf } from '../systems/shelf.js'
import { lookFailure } from './error-of.js'
import { stoodAt, under } from './stood.js'
import { remarksOn } from './remarks.js'
import type { Run } from './run.js'

type Visit = Sight['visit']

/**
 * Looks at the public site as a visitor: every place once, with fresh eyes.
 * @param inventory where items are to be found; without one, items are not looked at
 * @param oldPlaces further addresses at which something stood that was to go
 */
export async function visits(
  run: Run,
  comparison: Comparison,
  inventory: Inventory | undefined,
  oldPlaces: readonly string[] = [],
): Promise<{ checks: Check[]; remarks: Remark[] }> {
  const visitor = run.site.publicVisitor()
  const shelf = new Shelf()
  const visit: Visit = (place) => shelf.read(placeOn(visitor.address, place), () => visitor.get(place))
  const expected = expectations(comparison.settled, run.baseline).flatMap((expectation) => {
    const look = lookFor(run, expectation)
    if (!look && expectation.ifAny) return []
    const seen = async () => noting(await lookAt(expectation, look, run, inventory, visit), expectation, comparison)
    return [checked(expectation.name, seen)]
  })
  const own = run.baseline.checks.flatMap((check) =>
    'at' in check
      ? [checked(`${check.at} shows “${check.shows}”`, async () => shown(await visit(check.at), [check.shows]))]
      : [],
  )
  const checks = await Promise.all([
    ...expected,
    ...own,
    ...(comparison.others.length === 0
      ? [checked('no text that shipped is left at its old addresses', () => noShippedText(run, visit, oldPlaces))]
      : []),
  ])
  return { checks, remarks: remarksOn(run, await visit('/').catch(() => undefined)) }
}

/** A text that somebody changed is looked for as it stands there: the check says so. */
const noting = (outcome: Outcome, { at }: Expectation<OwnLook>, { theirTexts }: Comparison): Outcome =>
  typeof at === 'object' && 'ref' in at && theirTexts.includes(at.ref)
    ? { ...outcome, seen: `${outcome.seen} (the text as it was changed there, not the planned one)` }
    : outcome

/** How an area's look is taken here: the system's own way, or the one that all share. */
const lookFor = ({ site }: Run, { area, look }: OwnLook & { area: AreaName }): Look<OwnLook> | undefined =>
  onSystem(site.system, area)?.looks?.[look] ?? sharedLook(look)

async function checked(name: string, look: () => Promise<Outcome>): Promise<Check> {
  try {
    const { outcome, seen } = await look()
    return { name, as: 'visitor', outcome, detail: seen }
  } catch (error) {
    return { name, as: 'visitor', outcome: 'failed', detail: lookFailure(error) }
  }
}

async function lookAt(
  expectation: Expectation<OwnLook>,
  look: Look<OwnLook> | undefined,
  run: Run,
  inventory: Inventory | undefined,
  visit: Visit,
): Promise<Outcome> {
  if (!look) return notLookedAt('this system shows visitors nothing of it')
  const at = placeIn(expectation, run)
  if (!at) return notLookedAt('nothing of the plan that it would show on is known to have been made under this rule')
  const home = run.site.publicly(run.site.home)
  if (at === 'front') return look(expectation, { place: '/', home, visit })
  if (!inventory) return notLookedAt('where it stands is told at the dashboard, which could not be read')
  const found = foundAt(inventory, at.ref)
  if (found?.hidden) return notLookedAt('visitors are not to see it yet')
  if (found?.address === undefined) return bad('it is not on the site')
  return look(expectation, { place: run.site.publicly(found.address), home, visit })
}

/** Where to look: what shows a rule only if it was made under it, on an item that was. */
function placeIn({ at }: Expectation<OwnLook>, { state }: Run): 'front' | { ref: string } | undefined {
  if (at === 'front' || 'ref' in at) return at
  const ref = at.anyOf.find((one) => state.written(stoodAt(one)) === under(at.madeUnder))
  return ref === undefined ? undefined : { ref }
}

async function noShippedText({ baseline, site }: Run, visit: Visit, oldPlaces: readonly string[]): Promise<Outcome> {
  const places = areaNames.flatMap((area) =>
    goesIn(baseline, areaOf(area).key ?? area) ? (onSystem(site.system, area)?.shippedAt?.(baseline) ?? []) : [],
  )
  const showsIt = site.system.showsShippedText
  if (!showsIt) return notLookedAt('this system ships no text that visitors see')
  const all = [...new Set([...places, ...oldPlaces])]
  if (all.length === 0) return notLookedAt('there is no address at which one stood')
  const answers = await Promise.all(all.map(visit))
  const left = answers.find((answer) => showsIt(answer.text, site.publicly(site.home)))
  return left
    ? bad(`${left.url} still shows a text that shipped`)
    : good(answers.length === 1 ? 'one address' : `${answers.length} addresses`)
}

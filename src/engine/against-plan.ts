import { compare, type Comparison } from '../core/compare.js'
import { abilitiesOf, onSystem } from '../systems/abilities.js'
import { closedByUs } from './gate.js'
import { keyOf } from './ownership.js'
import { versionRemarks } from './proven.js'
import type { Run } from './run.js'
import type { Stock } from './stock.js'
import { REMOVED, stoodAt } from './stood.js'

/**
 * Compares what was read with the plan, in the light of what is remembered of the site.
 * @param alsoGone refs of things that came in the first minutes, compared as if their owner wanted to remove them
 */
export function againstPlan(
  run: Run,
  { inventory, closed, choices }: Stock,
  alsoGone: readonly string[] = [],
): Comparison {
  const { baseline, state, site } = run
  const comparison = compare(baseline, inventory, {
    can: abilitiesOf(run.site.system, run.baseline, inventory),
    takes: (area, key, value, item) => onSystem(site.system, area)?.takes?.(key, value, item, baseline),
    atMost: (area, key) => onSystem(site.system, area)?.atMost?.[key],
    choices: (area, key) => choices.get(area)?.[key],
    without: (area) => closed.get(area) ?? site.system.lacks?.[area],
    left: (ref) => state.left(ref),
    // a site that waits for its first run is another than the one that is remembered
    stood: (ref) => !site.atFirstRun && (state.written(stoodAt(ref)) ?? REMOVED) !== REMOVED,
    sampled: (ref) => state.sampled(ref),
    ours: (area, found) => state.isOurs(area, keyOf(found)),
    tried: ({ text }) => text !== undefined && state.trials.some((mark) => text.includes(mark)),
    unwanted: (ref) => run.unwanted.has(ref) || alsoGone.includes(ref),
    lockedOut: (username) => run.logins.refused.has(username),
    closed: state.closed,
    again: run.options.again,
  })
  comparison.notes.unshift(
    ...versionRemarks(site.surveyed.findings.system),
    ...run.account.remarks,
    ...state.told.map((text) => ({ ref: 'site', text })),
  )
  comparison.notes.push(...closedByUs(run, inventory))
  // what can't be read may be anybody's
  comparison.others.push(...[...closed.keys()].map((name) => `${name} (can't be read)`))
  return comparison
}

import { areaIn } from '../core/ref.js'
import { areaNames, areaOf } from '../core/areas/index.js'
import { compare, type Comparison } from '../core/compare.js'
import { bodyDigest } from '../core/text/normal-form.js'
import { abilitiesOf, onSystem } from '../systems/abilities.js'
import { closedByUs } from './gate.js'
import { keyOf } from './ownership.js'
import type { Run } from './run.js'
import type { Stock } from './stock.js'
import { REMOVED, stoodAt } from './stood.js'

/** Compares what was read with the plan, in the light of what is remembered of the site. */
export function againstPlan(run: Run, { inventory, closed, choices }: Stock): Comparison {
  const { baseline, state, site } = run
  const comparison = compare(baseline, inventory, {
    can: abilitiesOf(run.site.system, run.baseline, inventory),
    takes: (area, key, value, item) => onSystem(site.system, area)?.takes?.(key, value, item, baseline),
    atMost: (area, key) => onSystem(site.system, area)?.atMost?.[key],
    choices: (area, key) => choices.get(area)?.[key],
    without: (area) => closed.get(area) ?? site.system.lacks?.[area],
    written: (ref) => anyName(ref, (name) => state.written(name)),
    // a site that waits for its first run is another than the one that is remembered
    stood: (ref) => !site.atFirstRun && (state.written(stoodAt(ref)) ?? REMOVED) !== REMOVED,
    sampled: (ref) => anyName(ref, (name) => state.sampled(name)),
    ours: (area, found) => {
      const { body } = found.item as { body?: string }
      const before = anyName(found.ref, (name) => state.formerly(name))
      return state.isOurs(area, keyOf(found)) || (before !== undefined && before === bodyDigest(body ?? ''))
    },
    tried: ({ text }) => text !== undefined && state.trials.some((mark) => text.includes(mark)),
    closed: state.closed,
    again: run.options.again,
  })
  comparison.notes.unshift(...run.account.remarks, ...state.told.map((text) => ({ ref: 'site', text })))
  comparison.notes.push(...closedByUs(run, inventory))
  // what can't be read may be anybody's
  comparison.others.push(...[...closed.keys()].map((name) => `${name} (can't be read)`))
  return comparison
}

/** What is remembered of a ref, or of the one by which earlier versions knew the item. */
const anyName = (ref: string, remembered: (ref: string) => string | undefined): string | undefined => {
  const area = areaNames.find((name) => name === areaIn(ref))
  const before = area && areaOf(area).formerRef?.(ref)
  return remembered(ref) ?? (before === undefined ? undefined : remembered(before))
}

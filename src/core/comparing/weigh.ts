import type { AnyItem } from '../areas/index.js'
import type { Ability, Value } from '../area.js'
import type { Baseline } from '../baseline/schema.js'
import { bodyDigest } from '../text/normal-form.js'
import type { Pair } from './bind.js'
import type { CompareOptions, Comparison, SomeArea, SomeDifference, SomeFound } from './result.js'

/** What weighing one planned item needs to know beside it. */
export interface Scales {
  baseline: Baseline
  options: CompareOptions
  /** The ref that an item will have, by the one it has. */
  toCome: ReadonlyMap<string, string>
}

/**
 * Looks at one planned item, key by key.
 * @returns the item as it should stand afterwards; remarks go to `result`, a difference to `differences`
 */
export function weigh(
  area: SomeArea,
  { plan, ref, found }: Pair,
  scales: Scales,
  result: Comparison,
  differences: SomeDifference[],
): AnyItem {
  const { options } = scales
  const can = (key: string): Ability => options.can?.(area.name, key) ?? 'can'
  const called = (key: string): string => area.say?.(key) ?? key
  const wanted: Record<string, Value> = {}
  for (const key of area.keys) {
    const value = plan.item[key]
    if (value === undefined || scales.baseline.leave.includes(`${area.name}.${key}`)) continue
    const ability = can(key)
    if (typeof ability === 'object' && 'never' in ability)
      result.never.push({ ref: `${area.name}.${key}`, text: `${called(key)}: ${ability.never}` })
    else wanted[key] = value
  }
  if (!found) {
    differences.push({ area: area.name, ref, is: 'missing', wanted })
    return wanted
  }
  const after: Record<string, Value | undefined> = { ...found.item, ...wanted }
  const fields: string[] = []
  for (const key of Object.keys(wanted).filter((key) => differs(area, key, wanted[key] ?? '', found, scales))) {
    const ability = can(key)
    if (typeof ability === 'object' && 'byHand' in ability)
      result.byHand.push({ ref: `${area.name}.${key}`, text: ability.byHand })
    else if (area.texts?.includes(key) && !mayReplace(found, key, options, plan.was)) {
      result.kept.push({
        ref,
        text: `the text of ${area.call(found.item)} was changed since, or is not ours: it stays (--again writes the planned one)`,
      })
      after[key] = found.item[key]
    } else {
      if (ability === 'unseen')
        result.unseen.push({ ref: `${area.name}.${key}`, text: `${called(key)} can't be read back` })
      fields.push(key)
    }
  }
  if (fields.length > 0) differences.push({ area: area.name, ref, is: 'different', wanted, found, fields })
  return after
}

function differs(area: SomeArea, key: string, want: Value, found: SomeFound, { toCome }: Scales): boolean {
  const here = found.item[key] ?? ''
  // a link to an item that is renamed in the same run leads to the same item
  const there = area.links?.includes(key) ? (toCome.get(String(here)) ?? here) : here
  return !(area.same?.(key, want, there) ?? want === there)
}

/** Whether a text that stands there may be replaced: it shipped, it is the one we wrote last, or it is empty. */
function mayReplace(found: SomeFound, key: string, options: CompareOptions, was?: string): boolean {
  const text = String(found.item[key] ?? '')
  if (found.origin === 'shipped' || options.again || text.trim() === '') return true
  return (options.written?.(found.ref) ?? (was === undefined ? undefined : options.written?.(was))) === bodyDigest(text)
}

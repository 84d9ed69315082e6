import type { Value } from '../area.js'
import { textOf } from '../value.js'
import type { Pair } from './bind.js'
import { endedIn, isAsLeft, isExactlyLeft, storedIn } from './left.js'
import { isAsked } from './ownership.js'
import type { CompareOptions, SomeArea, SomeFound } from './result.js'
import type { Scales } from './scales.js'

/* Whose a single value is: what we left, or what someone changed since. */

/** What is remembered of a key of an item: under its ref, under the one it had, or under the one it is to have. */
const leftOf = ({ plan, ref }: Pair, key: string, found: SomeFound, { left }: CompareOptions): string | undefined =>
  left?.(found.ref)?.[key] ?? (plan.was === undefined ? undefined : left?.(plan.was)?.[key]) ?? left?.(ref)?.[key]

/**
 * Whether a value that differs is its owner's: they changed it since we left it. Where nothing is remembered, a text counts as
 * theirs, and so does the address of an account.
 */
export function isTheirs(area: SomeArea, pair: Pair, key: string, found: SomeFound, scales: Scales): boolean {
  const { options } = scales
  if (found.origin === 'shipped' || isAsked(options.again, pair.ref) || area.settledAlways?.includes(key)) return false
  // a run of ours that ended early has closed it
  if (area.gate && options.closed) return false
  const mark = leftOf(pair, key, found, options)
  if (mark === undefined)
    return [...(area.texts ?? []), ...(area.vouches ?? [])].includes(key) && textOf(found.item[key]).trim() !== ''
  const value = storedIn(found, key)
  if (isAsLeft(area, key, mark, value)) return false
  return typeof value === 'number' && area.ranks?.includes(key) ? isReordered(area, pair, key, found, scales) : true
}

/** Whether an item and another one beside it have changed their order. Items that came or went since do not count. */
function isReordered(
  area: SomeArea,
  pair: Pair,
  key: string,
  found: SomeFound,
  { options, inventory }: Scales,
): boolean {
  const then = Number(leftOf(pair, key, found, options))
  const now = Number(storedIn(found, key))
  return ((inventory[area.name] ?? []) as SomeFound[]).some((other) => {
    const mark = options.left?.(other.ref)?.[key]
    if (mark === undefined || (area.under && other.item[area.under] !== found.item[area.under])) return false
    return (Number(mark) - then) * (Number(storedIn(other, key)) - now) < 0
  })
}

/** Whether something of a person's may be lost by writing over a value: then it is copied first. */
export function isAPersons(
  area: SomeArea,
  pair: Pair,
  key: string,
  found: SomeFound,
  { options, inUse }: Scales,
): boolean {
  const value = storedIn(found, key)
  if (found.origin === 'shipped' || value === undefined || value === '' || area.settledAlways?.includes(key))
    return false
  const mark = leftOf(pair, key, found, options)
  if (mark !== undefined) return !isExactlyLeft(area, key, mark, value)
  // settings of a site that nobody uses yet are those that came with it
  return area.list !== 'one' || inUse
}

/** Entries of a list that an earlier plan gave an item and this one does not. */
export function endedOf(
  area: SomeArea,
  pair: Pair,
  found: SomeFound,
  options: CompareOptions,
): { key?: string; entries: string[] } {
  for (const key of area.atLeast ?? []) {
    const planned = pair.plan.item[key]
    const mark = leftOf(pair, key, found, options)
    if (mark === undefined || !Array.isArray(planned)) continue
    const entries = endedIn(area, key, mark, planned as readonly Value[], found.item[key] ?? null).map(textOf)
    if (entries.length > 0) return { key, entries }
  }
  return { entries: [] }
}

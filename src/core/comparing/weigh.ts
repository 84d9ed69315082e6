import { dequal } from 'dequal'
import type { AnyItem, AreaName } from '../areas/index.js'
import type { Ability, Value } from '../area.js'
import type { Baseline } from '../baseline/schema.js'
import { markOf } from './left.js'
import { finerThanThere, keepUnit, waitsForUnit } from './units.js'
import { whyTheirs } from './ownership.js'
import { endedOf, isAPersons, isTheirs } from './whose-value.js'
import type { Pair } from './bind.js'
import type { Scales } from './scales.js'
import { isAmong, notAmongText } from './choices.js'
import type { Comparison, SomeArea, SomeDifference } from './result.js'

/**
 * Looks at one planned item, key by key.
 * @returns the item as it should stand afterwards; remarks go to `result`, a difference to `differences`
 */
export function weigh(
  area: SomeArea,
  pair: Pair,
  scales: Scales,
  result: Comparison,
  differences: SomeDifference[],
): AnyItem {
  const { plan, ref, found } = pair
  const { options } = scales
  const can = (key: string): Ability => options.can?.(area.name, key) ?? 'can'
  const called = (key: string): string => area.say?.(key) ?? key
  const wanted: Record<string, Value> = {}
  for (const key of area.keys) {
    const planned = plan.item[key]
    if (planned === undefined) continue
    const finer = finerThanThere(area, key, planned, scales)
    if (finer !== undefined) {
      result.never.push({ ref, text: `${called(key)} of ${area.call(plan.item)}: ${finer}; it is left alone` })
      result.notHere.push({ ref, text: finer })
      return found?.item ?? {}
    }
    const value = trimmed(area, key, planned, scales, result)
    const ability = can(key)
    if (cannotBeWithout(area, key, value, ability)) {
      if (isLeft(area, key, scales.baseline)) continue
      const why = typeof ability === 'object' && 'never' in ability ? ability.never : 'this system can’t be given that'
      result.never.push({ ref, text: `${called(key)}: ${why}; ${area.call(plan.item)} is left alone` })
      result.notHere.push({ ref, text: `${called(key)}: ${why}` })
      return found?.item ?? {}
    }
    const unread = ability === 'can' && area.list === 'one' && found !== undefined && !(key in found.item)
    if (ability === 'none' || (unread && differs(area, key, value, found.item, scales))) {
      tellNone(area, key, value, scales, result)
      continue
    }
    if (typeof ability === 'object' && isLeft(area, key, scales.baseline)) continue
    const why = typeof ability === 'object' ? undefined : options.takes?.(area.name, key, value, plan.item)
    if (why !== undefined) {
      const text = area.list === 'one' ? why : `${called(key)} of ${area.call(plan.item)}: ${why}`
      if (!isLeft(area, key, scales.baseline)) {
        result.never.push({ ref: area.list === 'one' ? keyOf(area, key) : ref, text })
        result.notHere.push({ ref, text })
      }
      if (area.list === 'one') continue
      return found?.item ?? {}
    }
    const choices = options.choices?.(area.name, key)
    if (!isAmong(area, key, value, choices)) {
      if (!isLeft(area, key, scales.baseline)) {
        const text = notAmongText(area, key, plan.item, choices)
        result.never.push({ ref: area.list === 'one' ? keyOf(area, key) : ref, text })
        result.notHere.push({ ref, text })
      }
      if (area.list === 'one') continue
      return found?.item ?? {}
    }
    if (typeof ability === 'object' && 'never' in ability) {
      if (saysMore(area, key, value)) result.never.push({ ref: keyOf(area, key), text: ability.never })
    } else wanted[key] = value
  }
  // what it can't be given stays as it is: others may count in it
  for (const [key, planned] of Object.entries(plan.item))
    if (planned !== undefined && !(key in wanted) && found?.item[key] !== undefined)
      if (differs(area, key, planned, found.item, scales)) keepUnit(scales.units, area, key, planned, found.item[key])
  const waiting = Object.keys(wanted).flatMap((key) => {
    const why = waitsForUnit(area, key, scales.units)
    return why === undefined ? [] : [{ key, why }]
  })
  if (!found && waiting[0]) {
    result.byHand.push({ ref, text: `${area.call(plan.item)} is not made: ${waiting[0].why}` })
    return {}
  }
  if (!found) {
    const making = can('new')
    if (typeof making === 'object') {
      const [list, text] = 'never' in making ? [result.never, making.never] : [result.byHand, making.byHand]
      if (!scales.baseline.leave.includes(area.key ?? area.name)) list.push({ ref, text })
      return {}
    }
    if (Object.keys(wanted).length > 0) {
      differences.push({ area: area.name, ref, is: 'missing', wanted })
      // a side of something else is told with that
      if (area.list !== 'one' && !area.sideOf && options.stood?.(ref))
        result.notes.push({
          ref,
          text: `${area.call(plan.item)} stood here once and was removed since, or put into the bin: it is made again; take it out of the baseline if it is to stay away`,
        })
    }
    return wanted
  }
  const standsOtherwise = () =>
    Object.keys(wanted).some((key) => differs(area, key, wanted[key] ?? '', found.item, scales))
  const theirs = whyTheirs(area, pair, standsOtherwise, scales)
  if (theirs !== undefined) {
    scales.conflicts.add(ref)
    result.byHand.push({ ref, text: theirs })
    return found.item
  }
  const after: Record<string, Value | undefined> = { ...found.item, ...wanted }
  const stays = (key: string): void => {
    keepUnit(scales.units, area, key, wanted[key] ?? '', found.item[key] ?? '')
    after[key] = found.item[key]
    // adapters that send an item whole send what stands there
    if (found.item[key] === undefined) Reflect.deleteProperty(wanted, key)
    else wanted[key] = found.item[key]
  }
  const fields: string[] = []
  const asPlanned: string[] = []
  const ended = endedOf(area, pair, found, options)
  for (const key of Object.keys(wanted)) {
    const want = wanted[key] ?? ''
    const isUnseen = can(key) === 'unseen'
    if (isUnseen && options.left?.(ref)?.[key] === markOf(area, key, want)) continue
    if (ended.key === key) {
      fields.push(key)
      continue
    }
    if (!differs(area, key, want, found.item, scales)) {
      if (!isUnseen) asPlanned.push(key)
      continue
    }
    if (area.onlyNew?.includes(key)) {
      stays(key)
      continue
    }
    const ability = can(key)
    const wait = waiting.find((one) => one.key === key)
    if (wait) {
      result.byHand.push({ ref, text: `${called(key)} of ${area.call(found.item)} stays as it is: ${wait.why}` })
      stays(key)
      continue
    }
    const fixed = area.fixed?.(key, (name) => scales.inventory[name as AreaName] ?? [])
    if (typeof ability === 'object' && 'byHand' in ability) {
      result.byHand.push({ ref: keyOf(area, key), text: ability.byHand })
      keepUnit(scales.units, area, key, wanted[key] ?? '', found.item[key] ?? '')
    } else if (fixed !== undefined) {
      if (!isLeft(area, key, scales.baseline)) result.byHand.push({ ref: keyOf(area, key), text: fixed })
      stays(key)
    } else if (!isUnseen && isTheirs(area, pair, key, found, scales)) {
      const isText = area.texts?.includes(key)
      const what = area.list === 'one' && !isText ? called(key) : `${called(key)} of ${area.call(found.item)}`
      const why = isText ? 'was changed since, or is not ours' : 'was changed since'
      result.kept.push({ ref, text: `${what} ${why}: it stays (--again=${ref} writes what is planned)` })
      result.theirKeys.push(`${ref}#${key}`)
      if (isText) result.theirTexts.push(ref)
      stays(key)
    } else {
      if (isUnseen) result.unseen.push({ ref: keyOf(area, key), text: `${called(key)} can't be read back` })
      fields.push(key)
    }
  }
  result.asPlanned.push({ ref, keys: asPlanned })
  if (fields.length > 0) {
    const overwrites = fields.some((key) => isAPersons(area, pair, key, found, scales)) && { overwrites: true as const }
    const told = ended.key === undefined ? wanted : (area.without?.(wanted, ended.key, ended.entries) ?? wanted)
    differences.push({ area: area.name, ref, is: 'different', wanted: told, found, fields, ...overwrites })
  }
  return after
}

/** A list with as many of its entries as it can hold there; that others are left out is told once. */
function trimmed(area: SomeArea, key: string, value: Value, scales: Scales, { never }: Comparison): Value {
  const most = scales.options.atMost?.(area.name, key)
  if (most === undefined || !Array.isArray(value) || value.length <= most) return value
  const ref = keyOf(area, key)
  if (!isLeft(area, key, scales.baseline) && !never.some((told) => told.ref === ref))
    never.push({ ref, text: `this system holds ${most} at the most: the first in the list counts` })
  return (value as readonly Value[]).slice(0, most)
}

/** Whether a value says more than nothing at all would. */
export const saysMore = (area: SomeArea, key: string, value: Value): boolean =>
  !(area.same?.(key, value, '') ?? value === '')

/** Whether an item would be another thing than planned without a key that the system can't be given: a page that is not for everybody, say. */
const cannotBeWithout = (area: SomeArea, key: string, value: Value, ability: Ability): boolean =>
  (area.must?.includes(key) ?? false) &&
  (ability === 'none' || (typeof ability === 'object' && 'never' in ability)) &&
  saysMore(area, key, value)

/** A key that the system has not got is told once, unless what is wanted is as good as nothing, or the baseline excuses it. */
function tellNone(area: SomeArea, key: string, value: Value, scales: Scales, { never }: Comparison): void {
  const ref = keyOf(area, key)
  if (area.unsaid?.includes(key) || isLeft(area, key, scales.baseline) || !saysMore(area, key, value)) return
  if (never.some((told) => told.ref === ref)) return
  never.push({ ref, text: 'this system has no such setting' })
}

function differs(area: SomeArea, key: string, want: Value, item: AnyItem, { toCome }: Scales): boolean {
  const here = item[key] ?? ''
  // a link to an item that is renamed in the same run leads to the same item
  const there = area.links?.includes(key) ? moved(here, toCome) : here
  return !(area.same?.(key, want, there) ?? dequal(want, there))
}

/** A value with its refs as they will be. */
function moved(value: Value, toCome: ReadonlyMap<string, string>): Value {
  if (typeof value === 'string') return toCome.get(value) ?? value
  if (Array.isArray(value)) return (value as readonly Value[]).map((one) => moved(one, toCome))
  if (typeof value === 'object' && value !== null)
    return Object.fromEntries(
      Object.entries(value).map(([key, one]) => [key, key === 'ref' ? moved(one, toCome) : one]),
    )
  return value
}

/** A key in the baseline's words. */
const keyOf = (area: SomeArea, key: string): string => `${area.key ?? area.name}.${key}`
/** Whether the baseline excuses a key: by its own name, or by that of what it stands in. */
export const isLeft = (area: SomeArea, key: string, { leave }: Baseline): boolean =>
  leave.some((left) => `${keyOf(area, key)}.`.startsWith(`${left}.`))

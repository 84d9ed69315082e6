import { anyItem, areaNames, areaOf, type AreaName, type Inventory } from './areas/index.js'
import type { Baseline } from './baseline/schema.js'
import { bind, type Binding } from './comparing/bind.js'
import {
  aloneIn,
  emptyingShipped,
  fallingWith,
  holdingOn,
  leavingShipped,
  leftOver,
  othersIn,
  type Came,
  type Sampled,
} from './comparing/left-over.js'
import {
  emptyComparison,
  type CompareOptions,
  type Comparison,
  type SomeDifference,
  type SomeFound,
} from './comparing/result.js'
import { markOpening } from './comparing/opening.js'
import { isOurs, keepingWhatStands, trustingNobodys } from './comparing/ownership.js'
import { plannedUnits } from './comparing/units.js'
import { isLeft, saysMore, weigh } from './comparing/weigh.js'
import { allFound } from './inventory.js'
import { calledBy } from './naming.js'
import { inOrder } from './order.js'
import { itemDigest } from './text/digest.js'

export type { CompareOptions, Comparison, Remark } from './comparing/result.js'

/**
 * Compares a baseline with what is on a site.
 * @param baseline how it should be
 * @param inventory what is there, judged
 * @returns the differences in the order of settling, and what is left as it is and why
 * @example compare(baseline, inventoryOf(reading)).differences.map((one) => differenceText(one))
 */
export function compare(baseline: Baseline, inventory: Inventory, options: CompareOptions = {}): Comparison {
  const result = emptyComparison()
  const differences: SomeDifference[] = []
  const bindAll = (mayTakeOver: boolean) =>
    new Map(
      areaNames.flatMap((name): [AreaName, Binding][] =>
        inventory[name]
          ? [
              [
                name,
                bind(areaOf(name), areaOf(name).plan(baseline), foundIn(inventory, name), mayTakeOver, (found) =>
                  isOurs(areaOf(name), found, options),
                ),
              ],
            ]
          : [],
      ),
    )

  // somebody's own items decide first: on a site in use what shipped stays, and nothing is taken over
  let bound = bindAll(true)
  const sampled: Sampled = ({ ref, item }) => {
    const digest = options.sampled?.(ref)
    return digest === undefined ? undefined : digest === itemDigest(item) ? 'untouched' : 'touched'
  }
  const came: Came = {
    sampled,
    tried: options.tried ?? (() => false),
    unwanted: ({ ref }) => options.unwanted?.(ref) ?? false,
    alone: aloneIn(inventory),
  }
  result.others = [...bound].flatMap(([name, { rest }]) => othersIn(areaOf(name), rest, baseline, came))
  const inUse = result.others.length > 0
  if (inUse) bound = bindAll(false)

  const pairs = [...bound.values()].flatMap((binding) => binding.pairs)
  const toCome = new Map(pairs.flatMap(({ found, ref }): [string, string][] => (found ? [[found.ref, ref]] : [])))
  const scales = {
    baseline,
    options,
    toCome,
    inventory,
    conflicts: new Set<string>(),
    inUse,
    units: new Map(),
    planned: plannedUnits(baseline),
  }
  const planned = new Map(pairs.map((pair) => [pair.ref as string, pair]))
  const called = Object.fromEntries([
    ...allFound(inventory).map(({ ref, item }) => [ref, calledBy(ref, anyItem(item))] as const),
    ...pairs.map(({ ref, plan, found }) => [ref, calledBy(ref, { ...found?.item, ...plan.item })] as const),
  ])
  result.names = { of: called, language: baseline.site.language }
  for (const name of areaNames) {
    const area = areaOf(name)
    const binding = bound.get(name)
    if (!binding) {
      if (
        area
          .plan(baseline)
          .some(({ item }) =>
            area.keys.some(
              (key) => item[key] !== undefined && saysMore(area, key, item[key]) && !isLeft(area, key, baseline),
            ),
          )
      )
        result.never.push({
          ref: area.key ?? name,
          text: options.without?.(name) ?? `this system has no ${area.title}`,
        })
      continue
    }
    const means = inUse ? leavingShipped(area, binding.pairs, result) : emptyingShipped(area, binding.pairs, baseline)
    const weighed = keepingWhatStands(area, means, planned, scales).map((pair) =>
      weigh(area, pair, scales, result, differences),
    )
    // what can't be had here is nothing that visitors should see
    result.settled[name] = weighed.filter((item) => Object.keys(item).length > 0)
    result.notes.push(...binding.notes)
    leftOver(area, binding.rest, { baseline, inventory, inUse, came, planned }, result, differences)
  }
  const trusted = trustingNobodys(differences, scales.conflicts, baseline, result)
  const marked = markOpening(trusted, inventory, options, result)
  result.differences = inOrder(fallingWith(holdingOn(marked, pairs, inventory, result)))
  return result
}

const foundIn = (inventory: Inventory, name: AreaName): SomeFound[] =>
  (inventory[name] ?? []).map((found) => ({ ...found, item: anyItem(found.item) }))

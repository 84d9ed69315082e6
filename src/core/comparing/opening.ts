import { areaNames, areaOf, type AreaName, type Inventory } from '../areas/index.js'
import { grouped } from '../grouped.js'
import { foundAt } from '../inventory.js'
import { areaIn } from '../ref.js'
import { textOf } from '../value.js'
import { isExactlyLeft, storedIn } from './left.js'
import { isAsked, isOurs } from './ownership.js'
import type { CompareOptions, Comparison, SomeDifference, SomeFound } from './result.js'

/**
 * Marks what lets more people see words that neither we sent nor the system shipped: it is asked about apart. Opening again what
 * a run of ours has closed needs nothing.
 */
export function markOpening(
  differences: readonly SomeDifference[],
  inventory: Inventory,
  options: CompareOptions,
  { others }: Comparison,
): SomeDifference[] {
  const foreign = foreignWords(inventory, options)
  return differences.map((difference) => {
    if (difference.is !== 'different') return difference
    const { area, wanted, found } = difference
    const { opens, gate, sideOf } = areaOf(area)
    if (!opens?.(wanted, found.item)) return difference
    const isForeign = gate
      ? others.length > 0 && !options.closed
      : sideOf
        ? foreign.isAt(textOf(found.item[sideOf]))
        : foreign.isWrittenIn(area, found) || foreign.isIn(found.ref)
    return isForeign ? { ...difference, opens: true as const } : difference
  })
}

/** Where somebody else's words are, or a person's changes to ours. */
function foreignWords(inventory: Inventory, options: CompareOptions) {
  const inside = grouped(
    areaNames.flatMap((name) => {
      const { within, keepsHolder, under } = areaOf(name)
      const by = (keepsHolder ? within : undefined) ?? under
      return by === undefined
        ? []
        : ((inventory[name] ?? []) as SomeFound[]).map((found) => [textOf(found.item[by]), { name, found }] as const)
    }),
  )
  const isWrittenIn = (name: AreaName, found: SomeFound): boolean => {
    if (found.origin === 'shipped' || options.tried?.(found)) return false
    const area = areaOf(name)
    // an account that we did not make is the file's to name, unless it is taken over
    if (!isOurs(area, found, options)) return !area.account || isAsked(options.again, found.ref)
    const marks = options.left?.(found.ref) ?? {}
    if (area.account && options.lockedOut?.(area.account(found.item))) return true
    return (area.vouches ?? area.keys).some((key) => {
      const value = storedIn(found, key)
      if (typeof value !== 'string' || value === '' || area.apart?.includes(key)) return false
      const mark = marks[key]
      // of an item that a stopped run has made not everything is remembered; its text is, if that is ours
      return mark === undefined ? area.texts?.includes(key) : !isExactlyLeft(area, key, mark, value)
    })
  }
  const isIn = (ref: string): boolean =>
    (inside.get(ref) ?? []).some(({ name, found }) => isWrittenIn(name, found) || isIn(found.ref))
  const isAt = (ref: string): boolean => {
    const name = areaNames.find((one) => one === areaIn(ref))
    const found = foundAt(inventory, ref) as SomeFound | undefined
    return isIn(ref) || (name !== undefined && found !== undefined && isWrittenIn(name, found))
  }
  return { isWrittenIn, isIn, isAt }
}

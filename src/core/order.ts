import { anyItem, areaNames, areaOf, type AnyDifference } from './areas/index.js'

/** The refs in a field: itself, those of a list, those of groups with a `ref`. */
function refsOf(value: unknown): string[] {
  if (typeof value === 'string') return value === '' ? [] : [value]
  if (Array.isArray(value)) return value.flatMap(refsOf)
  return typeof value === 'object' && value !== null && 'ref' in value ? refsOf(value.ref) : []
}

/** The refs of what must stand before a difference can be settled. */
export function needsOf(difference: AnyDifference): string[] {
  if (difference.is === 'left over') return []
  const wanted = anyItem(difference.wanted)
  return (areaOf(difference.area).links ?? []).flatMap((key) => refsOf(wanted[key]))
}

/**
 * Differences in the order of settling: as practitioners go through the areas, what is needed before what needs it, and
 * what is left over after everything that replaces it.
 */
export function inOrder(differences: readonly AnyDifference[]): AnyDifference[] {
  const rank = ({ area, is }: AnyDifference) => areaNames.indexOf(area) + (is === 'left over' ? areaNames.length : 0)
  const sorted = [...differences].sort((a, b) => rank(a) - rank(b))
  const done: AnyDifference[] = []
  const visit = (difference: AnyDifference, above: readonly AnyDifference[]): void => {
    if (done.includes(difference) || above.includes(difference)) return
    for (const need of needsOf(difference)) {
      const before = sorted.find(({ ref, is }) => ref === need && is !== 'left over')
      if (before) visit(before, [...above, difference])
    }
    done.push(difference)
  }
  for (const difference of sorted) visit(difference, [])
  return done
}

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

const places = new Map(areaNames.map((name, index) => [name, index]))
const rank = ({ area, is }: AnyDifference): number =>
  (places.get(area) ?? 0) + (is === 'left over' ? areaNames.length : 0)

/**
 * Differences in the order of settling: as practitioners go through the areas, what is needed before what needs it, and
 * what is left over after everything that replaces it.
 */
export function inOrder(differences: readonly AnyDifference[]): AnyDifference[] {
  const sorted = [...differences].sort((a, b) => rank(a) - rank(b))
  const byRef = new Map<string, AnyDifference>()
  for (const one of sorted) if (one.is !== 'left over' && !byRef.has(one.ref)) byRef.set(one.ref, one)
  const begun = new Set<AnyDifference>()
  const done: AnyDifference[] = []
  // two that need each other stand in the order of their areas
  const visit = (difference: AnyDifference): void => {
    if (begun.has(difference)) return
    begun.add(difference)
    for (const need of needsOf(difference)) {
      const before = byRef.get(need)
      if (before) visit(before)
    }
    done.push(difference)
  }
  for (const difference of sorted) visit(difference)
  return done
}

/**
 * The longest part of a list that stands in order already: what is left has to be moved, and nothing else.
 * @param ranks where each should stand
 * @returns the places of those that stay
 */
export function inOrderAlready(ranks: readonly number[]): ReadonlySet<number> {
  const length: number[] = []
  const before: number[] = []
  let last = -1
  for (const [at, rank] of ranks.entries()) {
    length[at] = 1
    before[at] = -1
    for (let earlier = 0; earlier < at; earlier += 1)
      if ((ranks[earlier] ?? 0) < rank && (length[earlier] ?? 0) + 1 > (length[at] ?? 0)) {
        length[at] = (length[earlier] ?? 0) + 1
        before[at] = earlier
      }
    if (last < 0 || (length[at] ?? 0) > (length[last] ?? 0)) last = at
  }
  const stay = new Set<number>()
  for (; last >= 0; last = before[last] ?? -1) stay.add(last)
  return stay
}

/** Moves of single items that put some of them in order, each by so many places: those that stand right stay. */
export function movesFor(
  standing: readonly string[],
  wanted: readonly string[],
): { id: string; by: number; after: string[] }[] {
  const rank = new Map(wanted.map((id, index) => [id, index]))
  let now = [...standing]
  const ours = now.filter((id) => rank.has(id))
  const stay = inOrderAlready(ours.map((id) => rank.get(id) ?? 0))
  const placed = new Set(ours.filter((_, index) => stay.has(index)))
  const moves: { id: string; by: number; after: string[] }[] = []
  for (const [index, id] of wanted.entries()) {
    if (!now.includes(id)) continue
    if (!placed.has(id)) {
      const from = now.indexOf(id)
      const others = now.filter((one) => one !== id)
      const previous = wanted
        .slice(0, index)
        .filter((one) => placed.has(one))
        .at(-1)
      const next = wanted.slice(index + 1).find((one) => placed.has(one))
      const to =
        previous !== undefined ? others.indexOf(previous) + 1 : next !== undefined ? others.indexOf(next) : from
      now = [...others.slice(0, to), id, ...others.slice(to)]
      if (to !== from) moves.push({ id, by: to - from, after: [...now] })
      placed.add(id)
    }
  }
  return moves
}

/** Numbers by chance that a seed makes the same again (mulberry32). */
export function chance(seed: number): () => number {
  let at = seed >>> 0
  return () => {
    at = (at + 0x6d2b79f5) >>> 0
    let mixed = Math.imul(at ^ (at >>> 15), at | 1)
    mixed ^= mixed + Math.imul(mixed ^ (mixed >>> 7), mixed | 61)
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4_294_967_296
  }
}

/** So many of a list, by chance, in their order; all where there are not more. */
export function some<T>(list: readonly T[], most: number, random: () => number): T[] {
  const all = list.map((one, index) => ({ one, index, key: random() }))
  const chosen = all.sort((a, b) => a.key - b.key).slice(0, most)
  return chosen.sort((a, b) => a.index - b.index).map(({ one }) => one)
}

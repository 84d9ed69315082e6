/** Values by their keys, each in the order in which it came. */
export function grouped<K, V>(pairs: Iterable<readonly [K, V]>): Map<K, V[]> {
  const groups = new Map<K, V[]>()
  for (const [key, value] of pairs) {
    const group = groups.get(key)
    if (group) group.push(value)
    else groups.set(key, [value])
  }
  return groups
}

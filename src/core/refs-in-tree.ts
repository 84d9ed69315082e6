/**
 * The refs of items that stand one under the other, by their ids, as a system tells them: `pages/visit/hours`.
 * @example refsInTree('pages', [{ id: 2, slug: 'visit', parent: 0 }, { id: 5, slug: 'hours', parent: 2 }]).get(5) // 'pages/visit/hours'
 */
export function refsInTree<K extends string | number>(
  area: string,
  items: readonly { id: K; slug: string; parent: K }[],
): ReadonlyMap<K, string> {
  const byId = new Map(items.map((item) => [item.id, item]))
  const refs = new Map<K, string>()
  const refAt = (id: K, below: ReadonlySet<K>): string => {
    const item = byId.get(id)
    if (!item || below.has(id)) return area
    const ref = refs.get(id) ?? `${refAt(item.parent, new Set([...below, id]))}/${item.slug}`
    refs.set(id, ref)
    return ref
  }
  for (const { id } of items) refAt(id, new Set())
  return refs
}

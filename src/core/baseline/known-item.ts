import type { AddMistake } from './mistake.js'
import type { NamedItem, Path, PlainGroup } from './plain-values.js'

/** An area whose items are known by names in the file. */
interface Known {
  name: string
  named?(values: PlainGroup): NamedItem[]
}

/**
 * Gives what notes an item that is named and does not stand in the file. The file is looked through once; where a sample may
 * bring items of its own, nothing is noted.
 */
export function knownItems(values: PlainGroup, area: Known, add: AddMistake): (name: unknown, path: Path) => void {
  const { samples } = values
  if (typeof samples === 'string' && samples !== 'none' && samples !== 'shipped') return () => undefined
  const names = new Set((area.named?.(values) ?? []).map((item) => item.name))
  const one = area.name.replace(/ies$/, 'y').replace(/s$/, '')
  return (name, path) => {
    if (typeof name !== 'string' || names.has(name)) return
    // by its last part alone, where it is the only one
    const fitting = [...names].filter((known) => known.endsWith(`/${name}`))
    if (fitting.length > 1)
      add('unknown-item', path, `several items of this file are called that: ${fitting.join(', ')}`, 'the path of one')
    if (fitting.length === 0)
      add('unknown-item', path, `no ${one} of this file has that slug`, `a slug that stands under ${area.name}`)
  }
}

import type { AddMistake } from './mistakes.js'
import type { NamedItem, Path, PlainGroup } from './plain-values.js'

/** An area whose items are known by names in the file. */
interface Known {
  name: string
  named?(values: PlainGroup): NamedItem[]
}

/** Notes an item that is named and does not stand in the file; a sample may bring some of its own. */
export function knownItem(values: PlainGroup, area: Known, name: unknown, path: Path, add: AddMistake): void {
  const { samples } = values
  if (typeof name !== 'string' || (typeof samples === 'string' && samples !== 'none' && samples !== 'shipped')) return
  if (area.named?.(values).some((item) => item.name === name)) return
  const one = area.name.replace(/ies$/, 'y').replace(/s$/, '')
  add('unknown-item', path, `no ${one} of this file has that slug`, `a slug that stands under ${area.name}`)
}

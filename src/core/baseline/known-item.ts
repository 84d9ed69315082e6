import type { AddMistake } from './mistake.js'
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
  const names = (area.named?.(values) ?? []).map((item) => item.name)
  // by its last part alone, where it is the only one
  const fitting = names.includes(name) ? [name] : names.filter((one) => one.endsWith(`/${name}`))
  if (fitting.length === 1) return
  if (fitting.length > 1) {
    add('unknown-item', path, `several items of this file are called that: ${fitting.join(', ')}`, 'the path of one')
    return
  }
  const one = area.name.replace(/ies$/, 'y').replace(/s$/, '')
  add('unknown-item', path, `no ${one} of this file has that slug`, `a slug that stands under ${area.name}`)
}

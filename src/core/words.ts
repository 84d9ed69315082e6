import { anyItem, areaOf, type AnyDifference } from './areas/index.js'
import type { Value } from './area.js'
import { textBlocks } from './text/plain.js'
import { textOf } from './value.js'

const field = (item: object, key: string): Value => anyItem(item)[key] ?? ''

/** A value in quotes, short enough for a line; a body by its first words, nothing as “nothing”. */
export function valueText(key: string, value: Value, show?: (key: string, value: Value) => string): string {
  if (value === null) return 'what shipped'
  const text =
    key === 'body'
      ? textBlocks(textOf(value)).join(' ')
      : value === ''
        ? ''
        : (show?.(key, value) ?? (Array.isArray(value) ? value.join(', ') : textOf(value)))
  if (text === '') return 'nothing'
  return key === 'parent' ? text : `“${text.length > 60 ? `${text.slice(0, 57)}…` : text}”`
}

/** The fields of a difference that change: what was found and what is wanted. */
export function changes(difference: AnyDifference): { key: string; found: Value; wanted: Value }[] {
  const area = areaOf(difference.area)
  if (difference.is === 'left over') return []
  const { wanted } = difference
  if (difference.is === 'missing')
    return area.keys
      .filter((key) => field(wanted, key) !== '')
      .map((key) => ({ key, found: '', wanted: field(wanted, key) }))
  // in front of a first-run form, a text that will ship is not known word by word
  const here = (key: string): Value =>
    area.texts?.includes(key) && anyItem(difference.found.item)[key] === undefined
      ? null
      : field(difference.found.item, key)
  return difference.fields.map((key) => ({ key, found: here(key), wanted: field(wanted, key) }))
}

/** A difference in words an owner understands, one line. */
export function differenceText(difference: AnyDifference): string {
  const area = areaOf(difference.area)
  if (difference.is === 'left over') return `${area.call(anyItem(difference.found.item))} goes: ${difference.because}`
  if (difference.is === 'missing' && area.list !== 'one') return `${area.call(anyItem(difference.wanted))} is missing`
  const item = anyItem(difference.is === 'different' ? difference.found.item : difference.wanted)
  const parts = changes(difference).map(
    ({ key, found, wanted }) =>
      `${area.say?.(key) ?? key} ${valueText(key, found, area.show)} → ${valueText(key, wanted, area.show)}`,
  )
  return `${area.list === 'one' ? '' : `${area.call(item)}: `}${parts.join(', ')}`
}

/** Several lines at most: one for each field of an item there is only one of. */
export function differenceLines(difference: AnyDifference): string[] {
  const area = areaOf(difference.area)
  if (area.list !== 'one' || difference.is === 'left over') return [differenceText(difference)]
  return changes(difference).map(
    ({ key, found, wanted }) =>
      `${area.say?.(key) ?? key}: ${valueText(key, found, area.show)} → ${valueText(key, wanted, area.show)}`,
  )
}

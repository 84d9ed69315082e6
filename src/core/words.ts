import { anyItem, areaOf, type AnyDifference, type AreaName } from './areas/index.js'
import type { Value } from './area.js'
import { heldIn, nothing, type Held } from './held.js'
import { named, type Names } from './naming.js'
import { nameIn } from './ref.js'
import { textBlocks } from './text/plain.js'
import { textOf } from './value.js'

const unnamed: Names = { of: {} }

/**
 * A value in quotes, short enough for a line; a body by its first words, nothing as “nothing”.
 * @example valueText('title', { is: 'nothing' }) // 'nothing'
 */
export function valueText(key: string, held: Held, show?: (key: string, value: Value) => string | undefined): string {
  if (held.is === 'unknown') return 'what shipped'
  const text = held.is === 'nothing' ? '' : readable(key, held.value, show)
  if (text === '') return 'nothing'
  return key === 'parent' ? text : `“${text.length > 60 ? `${text.slice(0, 57)}…` : text}”`
}

function readable(key: string, value: Value, show?: (key: string, value: Value) => string | undefined): string {
  if (key === 'body') return textBlocks(textOf(value)).join(' ')
  return show?.(key, value) ?? (Array.isArray(value) ? value.join(', ') : textOf(value))
}

/**
 * A field's value in words: items that it leads to by their names.
 * @example fieldText('site', 'title', { is: 'value', value: 'Quay' }) // '“Quay”'
 */
export function fieldText(areaName: AreaName, key: string, held: Held, names: Names = unnamed): string {
  const area = areaOf(areaName)
  const leads = held.is === 'value' && area.links?.includes(key)
  const show = area.show && ((name: string, value: Value) => area.show?.(name, value, names.language))
  return valueText(key, leads ? { is: 'value', value: named(held.value, names) } : held, show)
}

/**
 * What an owner calls the item of a difference, as it will be.
 * @example calledIn(difference) // for instance: the page “Visit us”
 */
export const calledIn = (difference: AnyDifference): string =>
  areaOf(difference.area).call({
    ...(difference.is === 'missing' ? {} : anyItem(difference.found.item)),
    ...(difference.is === 'left over' ? {} : anyItem(difference.wanted)),
  })

/** A field that changes: what was found and what is wanted. */
export interface Change {
  key: string
  found: Held
  wanted: Held
}

/**
 * The fields of a difference that change; those that its run has settled before come first.
 * @example changes(difference).map(({ key, found, wanted }) => [key, found, wanted])
 */
export function changes(difference: AnyDifference): Change[] {
  const area = areaOf(difference.area)
  if (difference.is === 'left over') return []
  const { wanted } = difference
  if (difference.is === 'missing')
    return area.keys.flatMap((key) => {
      const held = heldIn(wanted, key)
      // of what is there once, a key that nobody asked for is told only where the system has it
      const isUnsaid = area.list === 'one' && area.unsaid?.includes(key)
      return held.is === 'nothing' || isUnsaid ? [] : [{ key, found: nothing, wanted: held }]
    })
  // in front of a first-run form, a text that will ship is not known word by word
  const here = (key: string): Held =>
    area.texts?.includes(key) && anyItem(difference.found.item)[key] === undefined
      ? { is: 'unknown' }
      : heldIn(difference.found.item, key)
  const before = difference.before ?? []
  return [
    ...before.map(({ key, found }) => ({ key, found, wanted: heldIn(wanted, key) })),
    ...difference.fields.map((key) => ({ key, found: here(key), wanted: heldIn(wanted, key) })),
  ]
}

/**
 * A difference in words an owner understands, one line.
 * @example differenceText(difference, comparison.names) // for instance: the page “Visit us” is missing
 */
export function differenceText(difference: AnyDifference, names: Names = unnamed): string {
  const area = areaOf(difference.area)
  if (difference.is === 'left over') {
    // one that stands below another may be called as that is
    const place = nameIn(difference.ref)
    const where = area.under && place.includes('/') ? ` at ${place}` : ''
    return `${area.call(anyItem(difference.found.item))}${where} goes: ${difference.because}`
  }
  if (difference.is === 'missing' && area.list !== 'one') return `${area.call(anyItem(difference.wanted))} is missing`
  const item = anyItem(difference.is === 'different' ? difference.found.item : difference.wanted)
  const parts = changes(difference).map((change) => changeText(difference.area, change, ' ', names))
  return `${area.list === 'one' ? '' : `${area.call(item)}: `}${parts.join(', ')}`
}

/**
 * Several lines at most: one for each field of an item there is only one of.
 * @example differenceLines(difference, comparison.names).join('\n')
 */
export function differenceLines(difference: AnyDifference, names: Names = unnamed): string[] {
  const area = areaOf(difference.area)
  if (area.list !== 'one' || difference.is === 'left over') return [differenceText(difference, names)]
  return changes(difference).map((change) => changeText(difference.area, change, ': ', names))
}

/** What becomes of a field: `title: “Quay” → “Pier”`. */
function changeText(areaName: AreaName, { key, found, wanted }: Change, colon: string, names: Names): string {
  const text = (held: Held) => fieldText(areaName, key, held, names)
  return `${areaOf(areaName).say?.(key) ?? key}${colon}${text(found)} → ${text(wanted)}`
}

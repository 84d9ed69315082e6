import { anyItem } from './areas/index.js'
import type { Value } from './area.js'

/** What a field holds: a value, nothing, or what nobody knows before it stands there. */
export type Held = { is: 'value'; value: Value } | { is: 'nothing' } | { is: 'unknown' }

export const nothing: Held = { is: 'nothing' }

/** What a value stands for: an empty text and a key that is not there are nothing both. */
export const heldAs = (value: Value | undefined): Held =>
  value === undefined || value === null || value === '' ? nothing : { is: 'value', value }

/** What an item holds under a key. */
export const heldIn = (item: object, key: string): Held => heldAs(anyItem(item)[key])

/** As a plain value, for documents: an empty text for nothing, null for what is not known. */
export const plainOf = (held: Held): Value => (held.is === 'value' ? held.value : held.is === 'nothing' ? '' : null)

import type { Id } from '../core/area.js'
import type { Secret } from '../core/secret.js'

/** What is known of items by their refs while steps are carried out. */
export interface Known {
  ids: Map<string, Id>
  /** Where visitors find them. */
  addresses: Map<string, string>
}

const isGroup = (value: unknown): value is Readonly<Record<string, unknown>> =>
  typeof value === 'object' && value !== null && !Array.isArray(value) && !(value instanceof Uint8Array)

/** A piece of a step's fields that stands for something else. */
function* standIns(fields: unknown): Generator<{ idOf: string } | { addressOf: string }> {
  if (Array.isArray(fields)) for (const field of fields) yield* standIns(field)
  if (!isGroup(fields)) return
  if (typeof fields.idOf === 'string') yield { idOf: fields.idOf }
  else if (typeof fields.addressOf === 'string') yield { addressOf: fields.addressOf }
  else if (typeof fields.textOf === 'string')
    for (const ref of fields.with as readonly string[]) yield { addressOf: ref }
  else for (const value of Object.values(fields)) yield* standIns(value)
}

const refOf = (one: { idOf: string } | { addressOf: string }): string => ('idOf' in one ? one.idOf : one.addressOf)

/** The refs whose ids or addresses a step's fields want. */
export const refsIn = (fields: unknown): string[] => [...standIns(fields)].map(refOf)

/** The refs among them of which it is not known yet. */
export const unknownIn = (fields: unknown, { ids, addresses }: Known): string[] =>
  [...standIns(fields)].filter((one) => !('idOf' in one ? ids : addresses).has(refOf(one))).map(refOf)

/** Puts ids, addresses and secrets into a step's fields. */
export function fill(fields: unknown, known: Known, secrets: Readonly<Record<string, Secret>>): unknown {
  if (Array.isArray(fields)) return fields.map((field) => fill(field, known, secrets))
  if (!isGroup(fields)) return fields
  if (typeof fields.idOf === 'string') return known.ids.get(fields.idOf)
  if (typeof fields.addressOf === 'string') return known.addresses.get(fields.addressOf)
  if (typeof fields.secretOf === 'string') return secrets[fields.secretOf]?.reveal()
  if (typeof fields.textOf === 'string') {
    const refs = fields.with as readonly string[]
    return refs.reduce(
      (text, ref) => text.replaceAll(`unpack:${ref}"`, `${known.addresses.get(ref) ?? ''}"`),
      fields.textOf,
    )
  }
  return Object.fromEntries(Object.entries(fields).map(([key, value]) => [key, fill(value, known, secrets)]))
}

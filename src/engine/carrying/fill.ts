import type { Id } from '../../core/area.js'
import type { Secret } from '../../core/secret.js'
import { AddressOf, IdOf, SecretOf, TextOf } from '../../systems/later.js'
import type { Step } from '../../systems/step.js'

/** What is known of items by their refs while steps are carried out. */
export interface Known {
  ids: Map<string, Id>
  /** Where visitors find them. */
  addresses: Map<string, string>
}

const isGroup = (value: unknown): value is Readonly<Record<string, unknown>> =>
  typeof value === 'object' && value !== null && !(value instanceof Uint8Array)

/** A ref whose id or address a step's fields want. */
export interface Wish {
  ref: string
  is: 'id' | 'address'
}

/** All ids and addresses that a step's fields want. */
export const wishesOf = (fields: unknown): Wish[] => [...wishes(fields)]

function* wishes(fields: unknown): Generator<Wish> {
  if (fields instanceof IdOf || fields instanceof AddressOf) yield { ref: fields.ref, is: fields.is }
  else if (fields instanceof TextOf) for (const ref of fields.refs) yield { ref, is: 'address' }
  else if (Array.isArray(fields)) for (const field of fields) yield* wishes(field)
  else if (isGroup(fields)) for (const value of Object.values(fields)) yield* wishes(value)
}

/** The refs that a step needs: those that its fields want, and those that go before. */
export const needsOf = ({ fields, more }: Step): string[] => [
  ...wishesOf(fields).map(({ ref }) => ref),
  ...(more.after ?? []),
]

/** Puts ids, addresses and secrets into a step's fields. */
export function fill(fields: unknown, known: Known, secrets: Readonly<Record<string, Secret>>): unknown {
  if (fields instanceof IdOf) return known.ids.get(fields.ref)
  if (fields instanceof AddressOf) return known.addresses.get(fields.ref)
  if (fields instanceof SecretOf) return secrets[fields.ref]?.reveal()
  if (fields instanceof TextOf)
    return fields.refs.reduce(
      (text, ref) => text.replaceAll(`unpack:${ref}"`, `${known.addresses.get(ref) ?? ''}"`),
      fields.text,
    )
  if (Array.isArray(fields)) return fields.map((field) => fill(field, known, secrets))
  if (!isGroup(fields)) return fields
  return Object.fromEntries(Object.entries(fields).map(([key, value]) => [key, fill(value, known, secrets)]))
}

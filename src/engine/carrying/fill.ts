import type { Id } from '../../core/area.js'
import type { Secret } from '../../core/secret.js'
import type { Step } from '../../systems/step.js'

/** What is known of items by their refs while steps are carried out. */
export interface Known {
  ids: Map<string, Id>
  /** Where visitors find them. */
  addresses: Map<string, string>
}

const isGroup = (value: unknown): value is Readonly<Record<string, unknown>> =>
  typeof value === 'object' && value !== null && !Array.isArray(value) && !(value instanceof Uint8Array)

/** A piece of a step's fields that stands for the id or the address of a ref. */
export interface StandIn {
  ref: string
  is: 'id' | 'address'
}

/** All pieces of a step's fields that stand for something else. */
export const standInsIn = (fields: unknown): StandIn[] => [...standIns(fields)]

function* standIns(fields: unknown): Generator<StandIn> {
  if (Array.isArray(fields)) for (const field of fields) yield* standIns(field)
  if (!isGroup(fields)) return
  if (typeof fields.idOf === 'string') yield { ref: fields.idOf, is: 'id' }
  else if (typeof fields.addressOf === 'string') yield { ref: fields.addressOf, is: 'address' }
  else if (typeof fields.textOf === 'string')
    for (const ref of fields.with as readonly string[]) yield { ref, is: 'address' }
  else for (const value of Object.values(fields)) yield* standIns(value)
}

/** The refs that a step needs: those that its fields stand for, and those that go before. */
export const needsOf = ({ fields, more }: Step): string[] => [
  ...standInsIn(fields).map(({ ref }) => ref),
  ...(more.after ?? []),
]

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

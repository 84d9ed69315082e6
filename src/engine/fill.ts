import type { Id } from '../core/area.js'
import type { Secret } from '../core/secret.js'

const isGroup = (value: unknown): value is Readonly<Record<string, unknown>> =>
  typeof value === 'object' && value !== null && !Array.isArray(value)

/** The refs whose ids a step's fields want. */
export function refsIn(fields: unknown): string[] {
  if (Array.isArray(fields)) return fields.flatMap(refsIn)
  if (!isGroup(fields)) return []
  return typeof fields.idOf === 'string' ? [fields.idOf] : Object.values(fields).flatMap(refsIn)
}

/** Puts ids and secrets into a step's fields. */
export function fill(
  fields: unknown,
  ids: ReadonlyMap<string, Id>,
  secrets: Readonly<Record<string, Secret>>,
): unknown {
  if (Array.isArray(fields)) return fields.map((field) => fill(field, ids, secrets))
  if (!isGroup(fields)) return fields
  if (typeof fields.idOf === 'string') return ids.get(fields.idOf)
  if (typeof fields.secretOf === 'string') return secrets[fields.secretOf]?.reveal()
  return Object.fromEntries(Object.entries(fields).map(([key, value]) => [key, fill(value, ids, secrets)]))
}

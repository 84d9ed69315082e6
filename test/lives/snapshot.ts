import type { Site, Thing } from './site.js'

/** Fields that change by themselves, or hold no words of anybody. */
const noise = new Set([
  'id',
  'made',
  'edited',
  'order',
  'by',
  'bytes',
  'wrong',
  'waits',
  'lockedUntil',
  'lastPost',
  'formerPostAddresses',
  'visible',
])
/** Lists of which each entry counts by itself. */
const sets = new Set(['groups', 'categories', 'tags'])

/** Fields of one thing, as JSON. */
export type Flat = ReadonlyMap<string, string>
/** Everything on a site: `pages/12`, field by field. */
export type Snapshot = ReadonlyMap<string, Flat>

function flat(thing: Thing): Flat {
  const fields = new Map<string, string>()
  for (const [field, value] of Object.entries(thing))
    if (noise.has(field) || value === undefined) continue
    else if (sets.has(field) && Array.isArray(value))
      for (const one of value) fields.set(`${field}.${String(one)}`, 'true')
    else fields.set(field, JSON.stringify(value))
  return fields
}

export function snapshot(site: Site): Snapshot {
  const all = new Map<string, Flat>([['settings/site', flat(site.settings())]])
  for (const [room, things] of Object.entries(site.rooms()))
    for (const thing of things) all.set(`${room}/${thing.id}`, flat(thing))
  return all
}

/** Everything with its place: `pages/12`, its room, and itself. */
export const thingsOf = (site: Site): { key: string; room: string; thing: Thing }[] =>
  Object.entries(site.rooms()).flatMap(([room, things]) =>
    things.map((thing) => ({ key: `${room}/${thing.id}`, room, thing })),
  )

import { dequal } from 'dequal'
import type { IdOf } from '../../later.js'
import type { OwnSharing } from '../own-sharing.js'
import type { Carrier } from '../../step.js'
import { liveTree } from '../nodes.js'
import { carried } from '../refusal.js'
import { MEMBERS, ROLES, sharingOf, sharingPlace } from '../sharing.js'
import type { PloneSession } from '../session.js'

const UNSHARED: Awaited<ReturnType<typeof sharingOf>> = { inherit: true, entries: [] }
export type SharingFields = OwnSharing & { id: IdOf }

/** Whom an item lets in: what its sharing says beside that is taken back. */
export const sharing: Carrier<SharingFields, PloneSession> = {
  name: 'sharing',
  side: 'dashboard',
  atOnce: 1,
  async carry([load], session) {
    if (!load) return []
    const path = (await liveTree(session)).page(load.id)?.path
    if (path === undefined) return [{ refused: 'it is no longer there' }]
    const now = load.fresh ? UNSHARED : await sharingOf(session, path)
    const known = Object.values(ROLES) as string[]
    const wanted = new Map<string, string[]>()
    for (const { role, who } of load.roles) wanted.set(String(who), [...(wanted.get(String(who)) ?? []), role])
    const ids = new Map([
      ...now.entries.map(({ id, type }) => [id, type] as const),
      ...[...wanted.keys()].map((id) => [id, 'group'] as const),
      [MEMBERS, 'group'] as const,
    ])
    const given = (roles: Readonly<Record<string, unknown>>) => known.filter((role) => roles[role] === true)
    const entries = [...ids].flatMap(([id, type]) => {
      const own = given(now.entries.find((one) => one.id === id)?.roles ?? {})
      const next = wanted.get(id) ?? []
      if (dequal(new Set(own), new Set(next))) return []
      return [{ id, type, roles: Object.fromEntries(known.map((role) => [role, next.includes(role)])) }]
    })
    if (entries.length === 0 && now.inherit === load.inherit) return [{}]
    const answer = await session.rest('POST', sharingPlace(path), { inherit: load.inherit, entries })
    session.shelf.forget(sharingPlace(path))
    return [carried(answer)]
  },
}

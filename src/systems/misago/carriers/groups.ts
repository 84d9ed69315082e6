import type { IdOf } from '../../later.js'
import type { Carrier } from '../../step.js'
import type { Changes, MisagoSession } from '../session.js'
import { listed } from '../roles.js'

export interface NewRole {
  /** A role of members, or a set of rights in categories. */
  kind: 'role' | 'set'
  fields: Changes
}

const places = { role: 'permissions/', set: 'permissions/categories/' } as const

/** Makes roles and sets of rights. Their form tells no number: the list is read again. */
export const newRoles: Carrier<NewRole, MisagoSession> = {
  name: 'roles and rights',
  side: 'dashboard',
  atOnce: Infinity,
  async carry(loads, session) {
    const outcomes: { refused?: string }[] = []
    // one after the other: the lists are told apart by what came last
    for (const { kind, fields } of loads) {
      const { refused } = await session.send(`${places[kind]}new/`, fields, 'blank')
      outcomes.push({ refused })
    }
    session.shelf.forget(...Object.values(places))
    const lists = {
      role: loads.some(({ kind }) => kind === 'role') ? await listed(session, places.role) : [],
      set: loads.some(({ kind }) => kind === 'set') ? await listed(session, places.set) : [],
    }
    return loads.map(({ kind, fields }, index) => {
      const refused = outcomes[index]?.refused
      const made = lists[kind].filter(({ name }) => name === fields.name).sort((a, b) => b.id - a.id)[0]
      return refused === undefined ? { id: made?.id } : { refused }
    })
  },
}

/** Removes a role; the buttons of the list do. */
export const goneRoles: Carrier<{ id: IdOf }, MisagoSession> = {
  name: 'roles that go',
  side: 'dashboard',
  atOnce: 1,
  async carry([load], session) {
    if (!load) return []
    const outcome = await session.push(`permissions/delete/${String(load.id)}/`)
    session.shelf.forget('permissions/')
    return [outcome]
  },
}

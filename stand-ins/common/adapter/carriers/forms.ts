import type { Carrier, Resolved, SettingFields } from 'unpack'
import type { StandInSession } from '../session.js'

export const plain = (fields: Readonly<Record<string, unknown>>): Record<string, string> =>
  Object.fromEntries(Object.entries(fields).map(([name, value]) => [name, String(value)]))

/** Settings: one form each, sent whole. */
export const oneForm = (room: string): Carrier<SettingFields, StandInSession> => ({
  name: room,
  side: 'dashboard',
  atOnce: Infinity,
  async carry(loads, session) {
    const changes = plain(Object.assign({}, ...loads) as Resolved<SettingFields>)
    const outcome = await session.send(room, { changes })
    if (outcome.refused !== undefined || changes.contact === undefined) return loads.map(() => outcome)
    // a new contact address may have to be answered for by mail first
    const waits = (await session.screen(room))('#waits').length > 0
    return loads.map(({ contact }) => (waits && contact ? { mail: String(contact) } : {}))
  },
})

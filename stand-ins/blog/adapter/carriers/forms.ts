import type { Carried, Carrier, IdOf, Resolved, SettingFields, TextOf } from 'unpack'
import type { StandInSession } from '../../../common/adapter/session.js'

const plain = (fields: Readonly<Record<string, unknown>>): Record<string, string> =>
  Object.fromEntries(Object.entries(fields).map(([name, value]) => [name, String(value)]))

/** Settings: one form each, sent whole. */
const oneForm = (room: string): Carrier<SettingFields, StandInSession> => ({
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
export const settings = oneForm('settings')
export const publishing = oneForm('publishing')
export const visitors = oneForm('visitors')
export const updateRules = oneForm('updates')

type Room = 'posts' | 'pages' | 'categories' | 'comments' | 'tags' | 'links' | 'link-categories' | 'uploads'
export interface ItemFields {
  room: Room
  /** Which item; a new one where left out. */
  id?: IdOf
  remove?: boolean
  fields?: Readonly<Record<string, string | IdOf | TextOf | readonly IdOf[]>>
}

/** Everything that is a form an item. */
export const items: Carrier<ItemFields, StandInSession> = {
  name: 'items',
  side: 'dashboard',
  atOnce: 1,
  async carry([load], session): Promise<Carried[]> {
    if (!load) return []
    const { room, id, remove, fields = {} } = load
    if (room === 'posts' || room === 'categories') session.shelf.forget('comments', 'posts')
    if (remove && room === 'comments')
      return [await session.send('comments', { form: `remove-${id}`, to: `comments/${id}/remove` })]
    if (remove) return [await session.send(`${room}/${id}`, { form: 'remove', to: `${room}/${id}/remove` })]
    const outcome = await session.send(`${room}/${id ?? 'new'}`, { changes: plain(fields) })
    return [outcome.refused === undefined && id !== undefined ? { ...outcome, id } : outcome]
  },
}

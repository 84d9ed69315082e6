import type { Carried, Carrier, IdOf } from 'unpack'
import type { StandInSession } from '../session.js'

/** Settings and profile: one form each, sent whole. */
const oneForm = (room: string): Carrier<Record<string, string>, StandInSession> => ({
  name: room,
  side: 'dashboard',
  atOnce: Infinity,
  async carry(loads, session) {
    const refused = await session.send(room, Object.assign({}, ...loads) as Record<string, string>)
    return loads.map((): Carried => (refused === undefined ? {} : { refused }))
  },
})
export const settings = oneForm('settings')
export const profile = oneForm('profile')

export interface ItemFields {
  room: 'posts' | 'pages' | 'categories' | 'comments'
  /** Which item; a new one where left out. */
  id?: IdOf
  remove?: boolean
  fields?: Readonly<Record<string, string | IdOf>>
}

/** Posts, pages, comments and categories: a form an item. */
export const items: Carrier<ItemFields, StandInSession> = {
  name: 'items',
  side: 'dashboard',
  atOnce: 1,
  async carry([load], session) {
    if (!load) return []
    const { room, id, remove, fields = {} } = load
    if (remove) {
      const refused =
        room === 'comments'
          ? await session.send('comments', {}, `form#remove-${id}`, `comments/${id}/remove`)
          : await session.send(`${room}/${id}`, {}, 'form#remove', `${room}/${id}/remove`)
      session.shelf.forget('comments')
      return [refused === undefined ? {} : { refused }]
    }
    const refused = await session.send(
      `${room}/${id ?? 'new'}`,
      Object.fromEntries(Object.entries(fields).map(([name, value]) => [name, String(value)])),
    )
    if (refused !== undefined) return [{ refused }]
    // the form's answer tells no number: the list does
    const made = (await session.rows(room)).find(({ data }) => data.slug === fields.slug)
    return [{ id: made?.id }]
  },
}

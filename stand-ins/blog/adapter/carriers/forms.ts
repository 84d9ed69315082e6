import type { Carried, Carrier, IdOf, TextOf } from 'unpack'
import { oneForm, plain } from '../../../common/adapter/carriers/forms.js'
import type { StandInSession } from '../../../common/adapter/session.js'

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

import type { Carried, Carrier, IdOf, TextOf } from 'unpack'
import type { StandInSession } from '../session.js'

export interface ItemFields<R extends string = string> {
  room: R
  /** Which item; a new one where left out. */
  id?: IdOf
  remove?: boolean
  /** A list is joined to one text. */
  fields?: Readonly<Record<string, string | IdOf | TextOf | readonly IdOf[]>>
}

/**
 * Everything that is a form an item.
 * @param inList rooms whose list has the buttons that remove items
 * @param joint what stands between the words of a list
 * @param stale what else is stale when something of a room changes
 */
export const itemForms = <R extends string>({
  inList = [],
  joint = ' ',
  stale = () => [],
}: {
  inList?: readonly string[]
  joint?: string
  stale?: (room: string) => readonly string[]
}): Carrier<ItemFields<R>, StandInSession> => ({
  name: 'items',
  side: 'dashboard',
  atOnce: 1,
  async carry([load], session): Promise<Carried[]> {
    if (!load) return []
    const { room, id, remove, fields = {} } = load
    session.shelf.forget(...stale(room))
    if (remove && inList.includes(room))
      return [await session.send(room, { form: `remove-${id}`, to: `${room}/${id}/remove` })]
    if (remove) return [await session.send(`${room}/${id}`, { form: 'remove', to: `${room}/${id}/remove` })]
    const changes = Object.fromEntries(
      Object.entries(fields).map(([name, value]) => [name, Array.isArray(value) ? value.join(joint) : String(value)]),
    )
    const outcome = await session.send(`${room}/${id ?? 'new'}`, { changes })
    return [outcome.refused === undefined && id !== undefined ? { ...outcome, id } : outcome]
  },
})

import type { Baseline, Id, ReadItem } from 'unpack'
import type { StandInSession } from './session.js'

/**
 * Reads some items of a room again: its list, and their forms.
 * @param read how the area reads everything
 */
export const readingAgain =
  <I extends object>(
    room: string,
    read: (session: StandInSession, baseline: Baseline) => Promise<ReadItem<I>[]>,
  ): ((session: StandInSession, found: readonly { id: Id }[], baseline: Baseline) => Promise<ReadItem<I>[]>) =>
  async (session, found, baseline) => {
    session.shelf.forget(room, ...found.map(({ id }) => `${room}/${id} form#edit`))
    const ids = new Set(found.map(({ id }) => String(id)))
    return (await read(session, baseline)).filter(({ id }) => ids.has(String(id)))
  }

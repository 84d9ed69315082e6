import type { AddressOf, Carrier, IdOf } from 'unpack'
import type { StandInSession } from '../../../common/adapter/session.js'

export interface PlaceFields {
  room: 'menus' | 'sidebars'
  place: string
  /** Entries, from top to bottom: words of a line. */
  lines: readonly (readonly (string | IdOf | AddressOf)[])[]
}

/** A menu or a sidebar: its place in the theme, and one entry a line. */
export const places: Carrier<PlaceFields, StandInSession> = {
  name: 'menus and sidebars',
  side: 'dashboard',
  atOnce: 1,
  async carry([load], session) {
    if (!load) return []
    const has = (await session.rows(load.room)).map(({ name }) => name)
    if (!has.includes(load.place))
      return [{ refused: `the theme in use has no such place; it has: ${has.join(', ') || 'none'}` }]
    const lines = load.lines.map((words) => words.join(' ')).join('\n')
    return [await session.send(`${load.room}/${load.place}`, { changes: { lines } })]
  },
}

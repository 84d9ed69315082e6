import { Step, type AreaOnSystem } from 'unpack'
import { places } from '../carriers/places.js'
import type { StandInSession } from '../session.js'

const SHIPPED = 'latest posts\narchives'

export const sidebars: AreaOnSystem<'sidebars', StandInSession> = {
  async read(session) {
    const rows = await session.rows('sidebars')
    return rows.map(({ name: place, data: { lines = '' } }) => {
      const ships = lines === SHIPPED
      const empty = lines === ''
      return {
        id: place,
        item: { place, parts: lines.split('\n').filter((line) => line !== '') },
        // an empty one is the theme's
        marks: { place: ships || empty, untouched: ships || empty, known: ships || empty, needed: empty },
        copy: { place, lines },
      }
    })
  },
  translate: (differences) =>
    differences.map((difference) => {
      const { place, parts } =
        difference.is === 'left over' ? { ...difference.found.item, parts: [] } : difference.wanted
      const lines = parts.map((part) => [part])
      return Step.of(places, { room: 'sidebars', place, lines }, { proves: [difference] })
    }),
}

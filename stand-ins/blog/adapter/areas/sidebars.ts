import { Step, type AreaOnSystem } from 'unpack'
import type { StandInSession } from '../../../common/adapter/session.js'
import { shipped } from '../marks.js'
import { places } from '../carriers/places.js'
import { placesOf } from '../places-of.js'

const PARTS = ['search', 'latest posts', 'latest comments', 'archives', 'categories', 'tags', 'pages']
const SHIPPED = 'latest posts\narchives'

export const sidebars: AreaOnSystem<'sidebars', StandInSession> = {
  keys: ['place', 'parts'],
  async read(session, { sidebars: planned = {} }) {
    const rows = await session.rows('sidebars')
    // an empty one is the theme's, and nobody's as long as nothing is planned for it
    return rows
      .filter(({ name, data }) => data.lines !== '' || name in planned)
      .map(({ name: place, data: { lines = '' } }) => {
        const ships = lines === SHIPPED || lines === ''
        return {
          id: place,
          item: { place, parts: lines.split('\n').filter((line) => line !== '') },
          marks: { place: ships, untouched: ships, known: ships },
          copy: { place, lines },
        }
      })
  },
  choices: async (session, baseline) => ({ ...(await placesOf(session, 'sidebars', baseline)), parts: PARTS }),
  translate: (differences) =>
    differences.map((difference) => {
      const { place, parts } =
        difference.is === 'left over' ? { ...difference.found.item, parts: [] } : difference.wanted
      const lines = parts.flatMap((part) => (typeof part === 'string' ? [[part]] : []))
      return Step.of(places, { room: 'sidebars', place, lines }, { proves: [difference] })
    }),
  ships: () => [{ id: 'main', item: { place: 'main', parts: ['latest posts', 'archives'] }, marks: shipped }],
}

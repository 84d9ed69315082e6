import type { SidebarPart } from '../../../core/areas/sidebars.js'
import { removes } from '../../../core/baseline/goes.js'
import type { AreaOnSystem } from '../../area-on-system.js'
import { bodyOf } from '../../later.js'
import { Step } from '../../step.js'
import { sidebars as carrier } from '../carriers/sidebars.js'
import { assignedIn, partCalled, PARTS, PLACES, SHIPPED } from '../sidebars.js'
import type { PloneSession } from '../session.js'

export const sidebars: AreaOnSystem<'sidebars', PloneSession> = {
  keys: ['place', 'parts'],
  async read(session, { sidebars: planned = {}, shipped }) {
    const places = Object.keys(PLACES).filter((place) => place in planned || removes(shipped, 'sidebars'))
    const all = await Promise.all(places.map(async (place) => ({ place, parts: await assignedIn(session, place) })))
    return all
      .filter(({ place, parts }) => parts.length > 0 || place in planned)
      .map(({ place, parts }) => {
        const names = parts.map(({ name }) => name)
        const ships = names.length === 0 || names.join() === SHIPPED[place]?.join()
        const item = { place, parts: parts.map(({ part }) => part) }
        return { id: place, item, ...(ships && { marks }), copy: item }
      })
  },
  choices: () => Promise.resolve({ place: Object.keys(PLACES), parts: [...Object.keys(PARTS), 'text'] }),
  translate: (differences) =>
    differences.map((difference) => {
      const { place, parts } =
        difference.is === 'left over' ? { ...difference.found.item, parts: [] } : difference.wanted
      return Step.of(carrier, { place, parts: parts.map(asLoad) }, { proves: [difference] })
    }),
  ships: () =>
    Object.entries(SHIPPED).map(([place, parts]) => ({
      id: place,
      item: { place, parts: parts.map(partCalled) },
      marks,
    })),
  again: ({ ref, item }) =>
    Step.of(carrier, { place: item.place, parts: item.parts.map(asLoad) }, { proves: [], gives: ref }),
}

const marks = { place: true, untouched: true, known: true }
const asLoad = (part: SidebarPart) =>
  typeof part === 'string' ? { name: part, text: '' } : { name: '', text: bodyOf(part.text) }

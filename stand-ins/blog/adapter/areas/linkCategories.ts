import { Step, type AreaOnSystem, idOf } from 'unpack'
import type { StandInSession } from '../../../common/adapter/session.js'
import { shipped } from '../marks.js'
import { items } from '../carriers/forms.js'
import { termStep } from '../terms.js'

export const linkCategories: AreaOnSystem<'linkCategories', StandInSession> = {
  keys: ['name', 'slug'],
  async read(session) {
    const rows = await session.rows('link-categories')
    return rows.map(({ id, data: { name = '', slug = '' } }) => {
      const ships = name === 'Elsewhere' && slug === 'elsewhere'
      return {
        id,
        item: { name, slug },
        marks: { place: id === 1, untouched: ships, known: ships },
        copy: { name, slug },
      }
    })
  },
  translate: (differences) =>
    differences.map((difference) =>
      difference.is === 'left over'
        ? Step.of(items, { room: 'link-categories', id: idOf(difference.ref), remove: true }, { proves: [difference] })
        : termStep('link-categories', difference),
    ),
  ships: () => [{ id: 1, item: { name: 'Elsewhere', slug: 'elsewhere' }, marks: shipped }],
}

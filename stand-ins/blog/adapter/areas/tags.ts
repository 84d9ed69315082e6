import { Step, type AreaOnSystem, idOf } from 'unpack'
import type { StandInSession } from '../../../common/adapter/session.js'
import { items } from '../carriers/forms.js'
import { termStep } from '../terms.js'

export const tags: AreaOnSystem<'tags', StandInSession> = {
  keys: ['name', 'slug'],
  async read(session) {
    const rows = await session.rows('tags')
    return rows.map(({ id, data: { name = '', slug = '' } }) => ({
      id,
      item: { name, slug },
      address: new URL(`tag/${slug}`, session.visitor.home).href,
      copy: { name, slug },
    }))
  },
  translate: (differences) =>
    differences.map((difference) =>
      difference.is === 'left over'
        ? Step.of(items, { room: 'tags', id: idOf(difference.ref), remove: true }, { proves: [difference] })
        : termStep('tags', difference),
    ),
}

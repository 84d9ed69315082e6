import { flatCategories, refOf, Step, type AreaOnSystem, idOf, valuesToSend } from 'unpack'
import type { StandInSession } from '../../../common/adapter/session.js'
import { shipped } from '../marks.js'
import { items } from '../carriers/forms.js'

const ships = { name: 'Everything', slug: 'everything' }

export const categories: AreaOnSystem<'categories', StandInSession> = {
  keys: ['name', 'slug', 'description', 'parent', 'default'],
  async read(session, baseline) {
    // one that the baseline makes the default takes that duty from the one that has it
    const relieved = flatCategories(baseline).some((one) => one.default)
    const rows = await session.rows('categories')
    return rows.map(({ id, data, cells }) => {
      const above = rows.find((row) => String(row.id) === data.parent)
      const item = {
        name: cells[0] ?? '',
        slug: data.slug ?? '',
        description: data.description ?? '',
        parent: above ? refOf('categories', above.data.slug ?? '') : '',
        default: data.needed === 'true',
      }
      const known = item.name === ships.name && item.slug === ships.slug
      return {
        id,
        item,
        marks: {
          place: id === 1,
          untouched: known && item.description === '',
          known,
          needed: data.needed === 'true' && !relieved,
        },
        address: new URL(`category/${data.path ?? ''}`, session.visitor.home).href,
        copy: item,
      }
    })
  },
  translate(differences) {
    const relieves = differences.find((one) => one.is !== 'left over' && one.wanted.default)
    return differences.map((difference) => {
      const proves = [difference]
      if (difference.is === 'left over')
        return Step.of(
          items,
          { room: 'categories', id: idOf(difference.ref), remove: true },
          { proves, after: relieves ? [relieves.ref] : [] },
        )
      const { name, slug, description, parent, default: isDefault } = valuesToSend(difference)
      const fields = {
        ...(name !== undefined && { name }),
        ...(slug !== undefined && { slug }),
        ...(description !== undefined && { description }),
        ...(parent !== undefined && { parent: parent === '' ? '0' : idOf(parent) }),
        ...(isDefault && { default: '1' }),
      }
      return Step.of(
        items,
        { room: 'categories', ...(difference.is === 'different' && { id: idOf(difference.found.ref) }), fields },
        { proves, gives: difference.ref },
      )
    })
  },
  ships: (baseline) => [
    {
      id: 1,
      item: { name: 'Everything', slug: 'everything', description: '', parent: '', default: true },
      marks: { ...shipped, needed: !flatCategories(baseline).some((one) => one.default) },
    },
  ],
}

import { idOf, refOf, Step, type AreaOnSystem, type ItemOf, valuesToSend } from 'unpack'
import type { StandInSession } from '../../../common/adapter/session.js'
import { sinceOf } from '../../../common/adapter/since.js'
import { items, type ItemFields } from '../carriers/forms.js'
import { marksOf, samples, shipped } from '../shipped.js'
import { picturesIn } from './media.js'

const room = 'categories'

export const categories: AreaOnSystem<'categories', StandInSession> = {
  keys: ['name', 'slug', 'description', 'parent', 'order', 'picture'],
  async read(session) {
    const [rows, pictures, since] = await Promise.all([session.rows(room), picturesIn(session), sinceOf(session)])
    return rows.map((row) => {
      const { id, data, cells } = row
      const above = rows.find((one) => String(one.id) === data.parent)
      const item = {
        name: cells[0] ?? '',
        slug: data.slug ?? '',
        description: data.description ?? '',
        parent: above ? refOf('categories', above.data.slug ?? '') : '',
        order: Number(data.order),
        picture: pictures.get(data.picture ?? '') ?? '',
      }
      return {
        id,
        item,
        marks: marksOf(row, item.description, [1, 2], since),
        address: new URL(`${data.path ?? ''}/`, session.visitor.home).href,
        stamp: data.made,
        copy: item,
      }
    })
  },
  translate: (differences) =>
    differences.map((difference) => {
      const proves = [difference]
      const { ref } = difference
      if (difference.is === 'left over') return Step.of(items, { room, id: idOf(ref), remove: true }, { proves })
      const which = difference.is === 'different' ? { id: idOf(difference.found.ref) } : {}
      return Step.of(items, { room, ...which, fields: fieldsOf(valuesToSend(difference)) }, { proves, gives: ref })
    }),
  again: ({ ref, item }) => Step.of(items, { room, fields: fieldsOf(item) }, { proves: [], gives: ref }),
  ships: () =>
    samples.categories.map(([name, slug], index) => ({
      id: index + 1,
      item: { name, slug, parent: '' },
      marks: shipped,
    })),
}

const fieldsOf = ({
  name,
  slug,
  description,
  parent,
  order,
  picture,
}: Partial<ItemOf<'categories'>>): NonNullable<ItemFields['fields']> => ({
  ...(name !== undefined && { name }),
  ...(slug !== undefined && { slug }),
  ...(description !== undefined && { description }),
  ...(parent !== undefined && { parent: parent === '' ? '0' : idOf(parent) }),
  ...(order !== undefined && { order: String(order) }),
  ...(picture !== undefined && { picture: picture === '' ? '0' : idOf(picture) }),
})

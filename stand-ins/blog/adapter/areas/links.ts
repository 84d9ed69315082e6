import { refOf, Step, type AreaOnSystem, idOf, valuesToSend } from 'unpack'
import type { StandInSession } from '../../../common/adapter/session.js'
import { shipped } from '../marks.js'
import { items } from '../carriers/forms.js'

const SHIPPED = {
  title: 'The makers of this blog',
  link: 'https://stand-in.example/',
  description: 'They wrote it',
}

export const links: AreaOnSystem<'links', StandInSession> = {
  keys: ['title', 'link', 'description', 'category'],
  async read(session) {
    const [rows, categories] = await Promise.all([session.rows('links'), session.rows('link-categories')])
    return rows.map(({ id, data: { link = '', description = '', category }, cells: [title = ''] }) => {
      const above = categories.find((one) => String(one.id) === category)
      const item = { title, link, description, category: above ? refOf('linkCategories', above.data.slug ?? '') : '' }
      const ships =
        link === SHIPPED.link && title === SHIPPED.title && description === SHIPPED.description && category === '1'
      return { id, item, marks: { place: id === 1, untouched: ships, known: ships }, copy: item }
    })
  },
  translate: (differences) =>
    differences.map((difference) => {
      const proves = [difference]
      if (difference.is === 'left over')
        return Step.of(items, { room: 'links', id: idOf(difference.ref), remove: true }, { proves })
      const { title, link, description, category } = valuesToSend(difference)
      const fields = {
        ...(title !== undefined && { title }),
        ...(link !== undefined && { link }),
        ...(description !== undefined && { description }),
        ...(category && { category: idOf(category) }),
      }
      const id = difference.is === 'different' ? { id: idOf(difference.found.ref) } : {}
      return Step.of(items, { room: 'links', ...id, fields }, { proves, gives: difference.ref })
    }),
  ships: () => [
    {
      id: 1,
      item: {
        title: 'The makers of this blog',
        link: 'https://stand-in.example/',
        description: 'They wrote it',
        category: 'linkCategories/elsewhere',
      },
      marks: shipped,
    },
  ],
}

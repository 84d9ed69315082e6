import { bodyOf, idOf, Step, valuesToSend, type AreaOnSystem, type ItemOf } from 'unpack'
import type { StandInSession } from '../../../common/adapter/session.js'
import { sinceOf } from '../../../common/adapter/since.js'
import { items, type ItemFields } from '../carriers/forms.js'
import { marksOf } from '../shipped.js'

const room = 'pages'

/** Pages: all of them at the top. */
export const pages: AreaOnSystem<'pages', StandInSession> = {
  keys: ['title', 'slug', 'body', 'state'],
  async read(session) {
    const [rows, since] = await Promise.all([session.rows(room), sinceOf(session)])
    return rows.map((row) => {
      const { id, data, cells } = row
      const { slug = '', body = '', state, made } = data
      const item: ItemOf<'pages'> = {
        ...{ title: cells[0] ?? '', slug, body, parent: '' },
        state: state === 'published' ? 'published' : 'draft',
      }
      const address = new URL(`${slug}/`, session.visitor.home).href
      return { id, item, marks: marksOf(row, body, [], since), address, stamp: made, copy: item }
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
}

const fieldsOf = ({ title, slug, body, state }: Partial<ItemOf<'pages'>>): NonNullable<ItemFields['fields']> => ({
  ...(title !== undefined && { title }),
  ...(slug !== undefined && { slug }),
  ...(body !== undefined && { body: bodyOf(body) }),
  ...(state !== undefined && { state }),
})

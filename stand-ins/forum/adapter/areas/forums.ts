import { refOf, Step, type AreaOnSystem, type Marks } from 'unpack'
import type { Row, StandInSession } from '../../../common/adapter/session.js'
import { items } from '../carriers/forms.js'
import { shippedTexts } from '../shipped-texts.js'
import { digest, foldSpace } from 'unpack'

const marksOf = ({ id, cells, data }: Row, ship: number): Marks => ({
  place: id === ship,
  untouched:
    shippedTexts.has(digest(foldSpace(`${cells[0] ?? ''} ${data.description ?? ''}`))) && data.locked !== 'true',
  known: shippedTexts.has(digest(foldSpace(`${cells[0] ?? ''} ${data.description ?? ''}`))),
})

export const forums: AreaOnSystem<'forums', StandInSession> = {
  async read(session) {
    const [categories, rows] = await Promise.all([session.rows('categories'), session.rows('forums')])
    const refs = new Map(categories.map(({ id, cells }) => [String(id), refOf('forums', cells[0] ?? '')]))
    return [
      ...categories.map((row) => {
        const item = { title: row.cells[0] ?? '', parent: '', description: row.data.description }
        return { id: row.id, item, marks: marksOf(row, 1), copy: item }
      }),
      ...rows.map((row) => {
        const days = Number(row.data.days)
        const item = {
          title: row.cells[0] ?? '',
          parent: refs.get(row.data.category ?? '') ?? '',
          description: row.data.description,
          locked: row.data.locked === 'true',
          removeOldAfterDays: days === 0 ? ('never' as const) : days,
        }
        const address = new URL(`forum/${row.id}`, session.visitor.home).href
        return { id: row.id, item, address, marks: marksOf(row, 2), copy: item }
      }),
    ]
  },
  translate(differences) {
    const comes = differences.flatMap((one) => (one.is === 'left over' ? [] : [one.ref as string]))
    return differences.map((difference) => {
      const proves = [difference]
      const isCategory = (difference.is === 'left over' ? difference.found.item : difference.wanted).parent === ''
      const room = isCategory ? 'categories' : 'forums'
      if (difference.is === 'left over')
        // after everything that takes its place
        return Step.of(items, { room, id: { idOf: difference.ref }, remove: true }, { proves, after: comes })
      const { title, parent, description, locked, removeOldAfterDays: days } = difference.wanted
      const fields = {
        title,
        ...(description !== undefined && { description }),
        ...(!isCategory && { category: { idOf: parent } }),
        ...(locked !== undefined && { locked: locked ? '1' : '' }),
        ...(days !== undefined && { removeOldAfter: days === 'never' ? '0' : String(days) }),
      }
      const id = difference.is === 'different' ? { id: { idOf: difference.found.ref } } : {}
      return Step.of(items, { room, ...id, fields }, { proves, gives: difference.ref })
    })
  },
}

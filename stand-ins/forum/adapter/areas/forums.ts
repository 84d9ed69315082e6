import {
  refOf,
  Step,
  actions,
  isLevel,
  levels,
  digest,
  foldSpace,
  type AreaOnSystem,
  type Marks,
  type Action,
  idOf,
  valuesToSend,
} from 'unpack'
import { z } from 'zod'
import type { Row, StandInSession } from '../../../common/adapter/session.js'
import { items, accessForm, type ItemFields } from '../carriers/forms.js'
import { shippedTexts } from '../shipped-texts.js'

const marksOf = ({ id, cells, data }: Row, ship: number, asShipped: boolean): Marks => {
  const known = shippedTexts.has(digest(foldSpace(`${cells[0] ?? ''} ${data.description ?? ''}`)))
  return { place: id === ship, untouched: known && asShipped, known }
}
const copySchema = z.object({ access: z.record(z.string(), z.array(z.string())).optional() })
/** The rights that ship, as the list of access tells them. */
const usual: Readonly<Record<Action, string>> = {
  see: 'everyone,members,moderators,administrators',
  read: 'everyone,members,moderators,administrators',
  start: 'members,moderators,administrators',
  reply: 'members,moderators,administrators',
  edit: 'moderators,administrators',
  remove: 'moderators,administrators',
  pin: 'moderators,administrators',
  notice: 'moderators,administrators',
  vote: 'members,moderators,administrators',
}

const shipped: Marks = { place: true, untouched: true, known: true }

export const forums: AreaOnSystem<'forums', StandInSession> = {
  keys: ['title', 'parent', 'description', 'locked', 'removeOldAfterDays'],
  async read(session) {
    const [categories, rows, access, groups] = await Promise.all([
      session.rows('categories'),
      session.rows('forums'),
      session.rows('access'),
      session.rows('groups'),
    ])
    const refs = new Map(categories.map(({ id, cells }) => [String(id), refOf('forums', cells[0] ?? '')]))
    const nameOf = (who: string) => groups.find(({ id }) => who === `group ${id}`)?.cells[0] ?? who
    return [
      ...categories.map((row) => {
        const item = { title: row.cells[0] ?? '', parent: '', description: row.data.description }
        return { id: row.id, item, marks: marksOf(row, 1, true), copy: item }
      }),
      ...rows.map((row) => {
        const days = Number(row.data.days)
        const may = access.find(({ id }) => id === row.id)?.data ?? {}
        const item = {
          title: row.cells[0] ?? '',
          parent: refs.get(row.data.category ?? '') ?? '',
          description: row.data.description,
          locked: row.data.locked === 'true',
          removeOldAfterDays: days === 0 ? ('never' as const) : days,
        }
        const asShipped = !item.locked && days === 0 && actions.every((action) => may[action] === usual[action])
        const address = new URL(`forum/${row.id}`, session.visitor.home).href
        const kept = Object.fromEntries(
          actions.map((action) => [
            action,
            (may[action] ?? '')
              .split(',')
              .filter((one) => one !== '')
              .map(nameOf),
          ]),
        )
        const marks = marksOf(row, 2, asShipped)
        return { id: row.id, item, address, marks, copy: { ...item, access: kept } }
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
        return Step.of(items, { room, id: idOf(difference.ref), remove: true }, { proves, after: comes })
      const { title, parent, description, locked, removeOldAfterDays: days } = valuesToSend(difference)
      const fields = {
        ...(title !== undefined && { title }),
        ...(description !== undefined && { description }),
        ...(!isCategory && parent !== undefined && { category: idOf(parent) }),
        ...(locked !== undefined && { locked: locked ? '1' : '' }),
        ...(days !== undefined && { removeOldAfter: days === 'never' ? '0' : String(days) }),
      }
      const id = difference.is === 'different' ? { id: idOf(difference.found.ref) } : {}
      return Step.of(items, { room, ...id, fields }, { proves, gives: difference.ref })
    })
  },
  /** With its settings, and with who may do what in it. */
  again({ ref, item, copy }) {
    const { title, parent, description = '', locked = false, removeOldAfterDays: days = 'never' } = item
    const room = parent === '' ? ('categories' as const) : ('forums' as const)
    const more: NonNullable<ItemFields['fields']> =
      parent === ''
        ? {}
        : {
            category: idOf(parent),
            locked: locked ? '1' : '',
            removeOldAfter: days === 'never' ? '0' : String(days),
          }
    const made = Step.of(items, { room, fields: { title, description, ...more } }, { proves: [], gives: ref })
    const { access: may } = copySchema.parse(copy)
    if (parent === '' || !may) return made
    const named = [...new Set(Object.values(may).flat())].filter((who: string) => !isLevel(who))
    const groups = Object.fromEntries(named.map((name) => [name, idOf(refOf('groups', name))]))
    const load = { id: idOf(ref), may, subjects: [...levels, ...named], groups }
    return [made, Step.of(accessForm, load, { proves: [] })]
  },
  ships: () => [
    { id: 1, item: { title: 'Test category', parent: '' }, marks: shipped },
    { id: 2, item: { title: 'Test forum', parent: 'forums/Test category' }, marks: shipped },
  ],
}

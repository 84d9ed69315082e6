import { z } from 'zod'
import type { ReadItem } from '../../../core/area.js'
import type { ForumItem } from '../../../core/areas/forums.js'
import type { Baseline } from '../../../core/baseline/schema.js'
import { idOf } from '../../later.js'
import { Step } from '../../step.js'
import { valuesToSend } from '../../values-to-send.js'
import type { AreaOnSystem } from '../../area-on-system.js'
import { categories, goneCategories } from '../carriers/categories.js'
import { pageOf } from '../page.js'
import type { Changes, MisagoSession } from '../session.js'
import { treeOf, type Branch } from '../tree.js'
import { SHIPPED, isAsShipped } from '../shipped.js'
import { givenTo, listed, rolesOf } from '../roles.js'
import { rightsAgain } from '../carriers/rights-again.js'

const days = (field: string | undefined): number | 'never' => (Number(field ?? 0) === 0 ? 'never' : Number(field))

export const forums: AreaOnSystem<'forums', MisagoSession> = {
  keys: ['title', 'parent', 'description', 'locked', 'removeOldAfterDays'],
  read: (session, baseline) => readForums(session, baseline),
  readAgain(session, found, baseline) {
    const ids = found.map(({ id }) => Number(id))
    session.shelf.forget('tree', 'page', 'categories/', ...ids.map((id) => `categories/edit/${id}/ form`))
    return readForums(session, baseline, ids)
  },
  translate(differences) {
    const comes = differences.flatMap((one) => (one.is === 'left over' ? [] : [one.ref as string]))
    return differences.map((difference) => {
      const proves = [difference]
      if (difference.is === 'left over')
        // after everything that takes its place
        return Step.of(goneCategories, { id: idOf(difference.ref) }, { proves, after: comes })
      const { title, description, locked, removeOldAfterDays } = valuesToSend(difference)
      const { parent } = difference.wanted
      const fields: Changes = {
        ...(title !== undefined && { name: title }),
        ...(description !== undefined && { description }),
        ...(locked !== undefined && { is_closed: locked ? '1' : '0' }),
        ...(removeOldAfterDays !== undefined && {
          prune_replied_after: removeOldAfterDays === 'never' ? '0' : String(removeOldAfterDays),
        }),
      }
      const within = parent === '' ? ('' as const) : idOf(parent)
      return difference.is === 'missing'
        ? Step.of(categories, { parent: within, fields }, { proves, gives: difference.ref })
        : Step.of(
            categories,
            {
              id: idOf(difference.found.ref),
              ...(difference.fields.includes('parent') && { parent: within }),
              fields,
            },
            { proves, gives: difference.ref },
          )
    })
  },
  /** With all its settings, and with the rights that roles have in it. */
  again({ ref, item, copy }) {
    const { fields, given } = copySchema.parse(copy)
    const parent = item.parent === '' ? ('' as const) : idOf(item.parent)
    return [
      Step.of(categories, { parent, fields: { ...fields, name: item.title } }, { proves: [], gives: ref }),
      Step.of(rightsAgain, { category: idOf(ref), given }, { proves: [] }),
    ]
  },
  ships: () => [
    {
      id: 3,
      item: { title: 'First category', parent: '', description: '', locked: false },
      marks: { place: true, untouched: true, known: true },
    },
  ],
  // a planned one may go by that name, and stand at that address
  shippedAt: ({ forums = [] }) =>
    forums.some(({ title }) => SHIPPED.titles.includes(title)) ? [] : ['c/first-category/3/'],
}

/** @param only the numbers of those to read whole, all where left out; of the others, title and parent */
async function readForums(
  session: MisagoSession,
  { forums: planned = [], gone }: Baseline,
  only?: readonly number[],
): Promise<ReadItem<ForumItem>[]> {
  const [tree, page] = await Promise.all([treeOf(session), pageOf(session)])
  const withDays = new Set(
    planned.flatMap(({ title, forums = [] }) =>
      forums.flatMap((one) => (one.removeOldAfterDays === undefined ? [] : [`forums/${title}/${one.title}`])),
    ),
  )
  return Promise.all(
    tree.map(async (branch) => {
      const { id, title, ref, address } = branch
      const parent = tree.find((one) => one.id === branch.parent)?.ref ?? ''
      if (only?.includes(id) === false) return { id, item: { title, parent } }
      const seen = page.CATEGORIES.find((one) => one.id === id)
      // what the public page does not tell its owner stands in a form for each
      const form = !seen || withDays.has(ref) ? (await session.form(`categories/edit/${id}/`)).fields : undefined
      const description = form?.description ?? seen?.description?.plain ?? ''
      const locked = form ? form.is_closed === '1' : (seen?.is_closed ?? false)
      const item = {
        title,
        parent,
        description,
        locked,
        ...(form && { removeOldAfterDays: days(form.prune_replied_after) }),
      }
      const place = id === SHIPPED.id && branch.parent === 0
      const known = SHIPPED.titles.includes(title)
      const untouched = place && known && branch.topics === 0 && (await isAsShipped(session))
      const copy = place || goesBy(gone, ref) ? await copyOf(session, branch) : item
      return { id, item, address, copy, marks: { place, untouched, known } }
    }),
  )
}

const goesBy = ({ forums: named = [] }: Baseline['gone'], ref: string): boolean =>
  named.some((path) => `${ref}/`.startsWith(`forums/${path}/`))
const copySchema = z.object({
  fields: z.record(z.string(), z.string()),
  given: z.array(z.object({ role: z.string(), set: z.string() })),
})

/** Everything that its form holds, and the sets of rights in it by their names. */
async function copyOf(session: MisagoSession, { id }: Branch): Promise<z.output<typeof copySchema>> {
  const [form, roles, sets] = await Promise.all([
    session.form(`categories/edit/${id}/`),
    rolesOf(session),
    listed(session, 'permissions/categories/'),
  ])
  const given = await Promise.all(
    roles.map(async ({ id: role, name }) => {
      const set = (await givenTo(session, role)).get(id)
      return { role: name, set: sets.find((one) => one.id === set)?.name ?? '' }
    }),
  )
  const { csrfmiddlewaretoken: _token, new_parent: _parent, ...fields } = form.fields
  return { fields, given: given.filter(({ set }) => set !== '') }
}

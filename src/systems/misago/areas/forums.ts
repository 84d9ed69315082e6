import { Step } from '../../step.js'
import type { AreaOnSystem } from '../../system.js'
import { categories, goneCategories } from '../carriers/categories.js'
import { pageOf } from '../page.js'
import type { Changes, MisagoSession } from '../session.js'
import { treeOf } from '../tree.js'

/** The one that every forum is set up with, by what it is called in the language of the set-up. */
export const SHIPPED = {
  id: 3,
  titles: [
    'First category',
    'Domyślna kategoria',
    'Első kategória',
    'Erste Kategorie',
    'Première catégorie',
    'Primeira categoria',
    '第一个分类',
  ],
}

const days = (field: string | undefined): number | 'never' => (Number(field ?? 0) === 0 ? 'never' : Number(field))

export const forums: AreaOnSystem<'forums', MisagoSession> = {
  async read(session, { forums: planned = [] }) {
    const [tree, page] = await Promise.all([treeOf(session), pageOf(session)])
    const withDays = new Set(
      planned.flatMap(({ title, forums = [] }) =>
        forums.flatMap((one) => (one.removeOldAfterDays === undefined ? [] : [`forums/${title}/${one.title}`])),
      ),
    )
    return Promise.all(
      tree.map(async (branch) => {
        const { id, title, ref, address } = branch
        const seen = page.CATEGORIES.find((one) => one.id === id)
        // what the public page does not tell its owner stands in a form for each
        const form = !seen || withDays.has(ref) ? (await session.form(`categories/edit/${id}/`)).fields : undefined
        const above = tree.find((one) => one.id === branch.parent)
        const description = form?.description ?? seen?.description?.plain ?? ''
        const locked = form ? form.is_closed === '1' : (seen?.is_closed ?? false)
        const item = {
          title,
          parent: above?.ref ?? '',
          description,
          locked,
          ...(form && { removeOldAfterDays: days(form.prune_replied_after) }),
        }
        const untouched = description === '' && !locked && branch.topics === 0
        return {
          id,
          item,
          address,
          copy: item,
          marks: { place: id === SHIPPED.id && branch.parent === 0, untouched, known: SHIPPED.titles.includes(title) },
        }
      }),
    )
  },
  translate(differences) {
    const comes = differences.flatMap((one) => (one.is === 'left over' ? [] : [one.ref as string]))
    return differences.map((difference) => {
      const proves = [difference]
      if (difference.is === 'left over')
        // after everything that takes its place
        return Step.of(goneCategories, { id: { idOf: difference.ref } }, { proves, after: comes })
      const { title, parent, description, locked, removeOldAfterDays } = difference.wanted
      const fields: Changes = {
        name: title,
        ...(description !== undefined && { description }),
        ...(locked !== undefined && { is_closed: locked ? '1' : '0' }),
        ...(removeOldAfterDays !== undefined && {
          prune_replied_after: removeOldAfterDays === 'never' ? '0' : String(removeOldAfterDays),
        }),
      }
      const within = parent === '' ? ('' as const) : { idOf: parent }
      return difference.is === 'missing'
        ? Step.of(categories, { parent: within, fields }, { proves, gives: difference.ref })
        : Step.of(
            categories,
            {
              id: { idOf: difference.found.ref },
              ...(difference.fields.includes('parent') && { parent: within }),
              fields,
            },
            { proves, gives: difference.ref },
          )
    })
  },
}

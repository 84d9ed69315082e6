import { shipped } from '../marks.js'
import { Step, type AreaOnSystem, refsInTree } from 'unpack'
import { items } from '../carriers/forms.js'
import { bodyIn, entryAgain, readEntries } from '../entries.js'
import type { StandInSession } from '../../../common/adapter/session.js'

export const pages: AreaOnSystem<'pages', StandInSession> = {
  keys: ['title', 'slug', 'body', 'state', 'parent', 'order'],
  async read(session) {
    const [all, { frontPage }] = await Promise.all([readEntries(session, 'pages', [2, 3]), session.form('publishing')])
    const rowOf = (id: unknown) => all.find((one) => String(one.row.id) === String(id))
    const pathOf = (id: unknown): string => {
      const one = rowOf(id)
      return one ? `${pathOf(one.row.data.parent)}${one.item.slug}/` : ''
    }
    const refs = refsInTree(
      'pages',
      all.map(({ row, item }) => ({ id: String(row.id), slug: item.slug, parent: row.data.parent ?? '' })),
    )
    return all.map(({ row, item, ...rest }) => {
      return {
        ...rest,
        id: row.id,
        item: { ...item, parent: refs.get(row.data.parent ?? '') ?? '', order: Number(row.data.order) },
        address: new URL(String(row.id) === frontPage ? '' : pathOf(row.id), session.visitor.home).href,
      }
    })
  },
  translate(differences) {
    return differences.map((difference) => {
      const proves = [difference]
      if (difference.is === 'left over')
        return Step.of(items, { room: 'pages', id: { idOf: difference.ref }, remove: true }, { proves })
      const { title, slug, state, parent, order } = difference.wanted
      const fields = {
        title,
        slug,
        state: state ?? 'published',
        ...bodyIn(difference),
        ...(parent !== undefined && { parent: parent === '' ? '0' : { idOf: parent } }),
        ...(order !== undefined && { order: String(order) }),
      }
      const id = difference.is === 'different' ? { id: { idOf: difference.found.ref } } : {}
      return Step.of(items, { room: 'pages', ...id, fields }, { proves, gives: difference.ref })
    })
  },
  again: (kept) => entryAgain('pages', kept),
  ships: () => [
    {
      id: 2,
      item: { title: 'An example page', slug: 'an-example-page', state: 'published', parent: '', order: 0 },
      marks: shipped,
    },
    {
      id: 3,
      item: { title: 'Data and privacy', slug: 'data-and-privacy', state: 'draft', parent: '', order: 0 },
      marks: { ...shipped, hidden: true },
    },
  ],
  shippedAt: () => ['/an-example-page', '/data-and-privacy'],
}

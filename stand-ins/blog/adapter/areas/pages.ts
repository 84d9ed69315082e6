import { Step, type AreaOnSystem, idOf, valuesToSend } from 'unpack'
import type { StandInSession } from '../../../common/adapter/session.js'
import { pageRefs } from '../page-refs.js'
import { shipped } from '../marks.js'
import { items } from '../carriers/forms.js'
import { bodyIn, entryAgain, readEntries } from '../entries.js'

export const pages: AreaOnSystem<'pages', StandInSession> = {
  keys: ['title', 'slug', 'body', 'state', 'parent', 'order'],
  async read(session) {
    const [all, { frontPage }] = await Promise.all([readEntries(session, 'pages', [2, 3]), session.form('publishing')])
    const refs = pageRefs(all.map(({ row }) => row))
    const placeOf = (id: string) => (id === frontPage ? '' : `${(refs.get(id) ?? '').slice('pages/'.length)}/`)
    return all.map(({ row, item, ...rest }) => ({
      ...rest,
      id: row.id,
      item: { ...item, parent: refs.get(row.data.parent ?? '') ?? '', order: Number(row.data.order) },
      address: new URL(placeOf(String(row.id)), session.visitor.home).href,
    }))
  },
  translate(differences) {
    return differences.map((difference) => {
      const proves = [difference]
      if (difference.is === 'left over')
        return Step.of(items, { room: 'pages', id: idOf(difference.ref), remove: true }, { proves })
      const { title, slug, state, parent, order } = valuesToSend(difference)
      const fields = {
        ...(title !== undefined && { title }),
        ...(slug !== undefined && { slug }),
        ...(state !== undefined && { state }),
        ...bodyIn(difference),
        ...(parent !== undefined && { parent: parent === '' ? '0' : idOf(parent) }),
        ...(order !== undefined && { order: String(order) }),
      }
      const id = difference.is === 'different' ? { id: idOf(difference.found.ref) } : {}
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

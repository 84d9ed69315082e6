import { refOf, Step, type AreaOnSystem, idOf, valuesToSend } from 'unpack'
import type { Row, StandInSession } from '../../../common/adapter/session.js'
import { shipped } from '../marks.js'
import { items } from '../carriers/forms.js'
import { bodyIn, entryAgain, readEntries } from '../entries.js'
import { postPlace } from '../post-place.js'

export const posts: AreaOnSystem<'posts', StandInSession> = {
  keys: ['title', 'slug', 'body', 'state', 'categories', 'tags', 'date'],
  async read(session) {
    const [all, categories, tags, accounts, { postAddress = '' }] = await Promise.all([
      readEntries(session, 'posts', [1]),
      session.rows('categories'),
      session.rows('tags'),
      session.rows('accounts'),
      session.form('publishing'),
    ])
    const refsIn = (area: 'categories' | 'tags', numbers: string | undefined, rows: readonly Row[]) =>
      (numbers ?? '').split(' ').flatMap((number) => {
        const slug = rows.find(({ id }) => String(id) === number)?.data.slug
        return slug === undefined ? [] : [refOf(area, slug)]
      })
    return all.map(({ row, item, ...rest }) => {
      const place = postPlace(postAddress, row, categories, accounts)
      return {
        ...rest,
        id: row.id,
        item: {
          ...item,
          categories: refsIn('categories', row.data.categories, categories),
          tags: refsIn('tags', row.data.tags, tags),
          date: row.data.date,
        },
        address: new URL(place, session.visitor.home).href,
      }
    })
  },
  translate: (differences) =>
    differences.map((difference) => {
      const proves = [difference]
      if (difference.is === 'left over')
        return Step.of(items, { room: 'posts', id: idOf(difference.ref), remove: true }, { proves })
      const { title, slug, state, categories, tags, date } = valuesToSend(difference)
      const fields = {
        ...(title !== undefined && { title }),
        ...(slug !== undefined && { slug }),
        ...(state !== undefined && { state }),
        ...bodyIn(difference),
        ...(categories && { categories: categories.map(idOf) }),
        ...(tags && { tags: tags.map(idOf) }),
        ...(date !== undefined && { date }),
      }
      const id = difference.is === 'different' ? { id: idOf(difference.found.ref) } : {}
      return Step.of(items, { room: 'posts', ...id, fields }, { proves, gives: difference.ref })
    }),
  again: (kept) => entryAgain('posts', kept),
  ships: () => [{ id: 1, item: { title: 'A first post', slug: 'a-first-post' }, marks: shipped }],
  shippedAt: () => ['/post/a-first-post'],
}

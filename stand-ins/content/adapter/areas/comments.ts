import { idOf, refOf, Step, type AreaOnSystem } from 'unpack'
import type { StandInSession } from '../../../common/adapter/session.js'
import { items } from '../carriers/forms.js'

/** What visitors wrote: it keeps what it stands under. */
export const comments: AreaOnSystem<'comments', StandInSession> = {
  keys: ['by', 'on'],
  async read(session) {
    const [rows, news] = await Promise.all([session.rows('comments'), session.rows('news')])
    return rows.map(({ id, data: { by = '', text, made, news: under } }) => {
      const on = news.find((one) => String(one.id) === under)?.data.slug
      const item = { key: String(id), by, on: on === undefined ? '' : refOf('posts', on) }
      return { id, item, stamp: made, text, copy: { by, text, made } }
    })
  },
  translate: (differences) =>
    differences.flatMap((difference) =>
      difference.is === 'left over'
        ? [Step.of(items, { room: 'comments', id: idOf(difference.ref), remove: true }, { proves: [difference] })]
        : [],
    ),
}

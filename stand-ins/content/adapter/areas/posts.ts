import { notLatin, type AreaOnSystem } from 'unpack'
import type { StandInSession } from '../../../common/adapter/session.js'
import { box } from '../../../common/adapter/settings.js'
import { entryAgain, entrySteps, readEntries, stateOf } from '../entries.js'
import { shipped, titlesIn } from '../shipped.js'

const room = 'news'

/** Posts are news here. */
export const posts: AreaOnSystem<'posts', StandInSession> = {
  keys: ['title', 'slug', 'summary', 'body', 'state', 'tags', 'date'],
  takes: (key, _value, { slug }) => (key === 'slug' ? notLatin(slug) : undefined),
  async read(session) {
    const all = await readEntries(session, room, [3])
    return all.map(({ row, item, ...rest }) => ({
      ...rest,
      item: { ...item, state: stateOf(row), date: row.data.date },
      stamp: row.data.made,
      address: new URL(`news/${item.slug}`, session.visitor.home).href,
    }))
  },
  translate: (differences, { baseline }) =>
    differences.flatMap((difference) =>
      entrySteps(room, difference, (changed) => {
        const date = difference.is === 'left over' ? undefined : difference.wanted.date
        const { allowed } = baseline.comments ?? {}
        return {
          ...(changed('date') && date !== undefined && { date }),
          // a new one takes over whether it may be commented on
          ...(difference.is === 'missing' && allowed !== undefined && { open: box(allowed) }),
        }
      }),
    ),
  again: (kept) => entryAgain(room, kept),
  ships({ samples, site: { language } }) {
    const [title, slug] = titlesIn(language).news
    return samples === 'shipped' ? [{ id: 3, item: { title, slug }, marks: shipped }] : []
  },
}

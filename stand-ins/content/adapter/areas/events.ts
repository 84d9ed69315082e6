import { notLatin, type AreaOnSystem } from 'unpack'
import type { StandInSession } from '../../../common/adapter/session.js'
import { entryAgain, entrySteps, readEntries, stateOf } from '../entries.js'
import { shipped, titlesIn } from '../shipped.js'

const room = 'events'

export const events: AreaOnSystem<'events', StandInSession> = {
  keys: ['title', 'slug', 'start', 'end', 'place', 'body', 'state'],
  takes: (key, _value, { slug }) => (key === 'slug' ? notLatin(slug) : undefined),
  async read(session) {
    const all = await readEntries(session, room, [4])
    return all.map(({ row, item: { title, slug, body }, ...rest }) => {
      const { start, end, place } = row.data
      return {
        ...rest,
        item: { title, slug, body, start, end, place, state: stateOf(row) },
        stamp: row.data.made,
        address: new URL(`events/${slug}`, session.visitor.home).href,
      }
    })
  },
  translate: (differences) =>
    differences.flatMap((difference) =>
      entrySteps(room, difference, (changed) => {
        if (difference.is === 'left over') return {}
        const { start, end, place } = difference.wanted
        return {
          ...(changed('start') && start !== undefined && { start }),
          ...(changed('end') && end !== undefined && { end }),
          ...(changed('place') && place !== undefined && { place }),
        }
      }),
    ),
  again: (kept) => entryAgain(room, kept),
  ships({ samples, site: { language } }) {
    const [title, slug] = titlesIn(language).event
    return samples === 'shipped' ? [{ id: 4, item: { title, slug }, marks: shipped }] : []
  },
}

import { posts as core } from '../../../core/areas/posts.js'
import { refOf } from '../../../core/ref.js'
import { slugOf } from '../../../core/text/slug-of.js'
import type { AreaOnSystem } from '../../area-on-system.js'
import { notLatin } from '../../latin.js'
import { entrySteps, readEntries, zoneIn } from '../entries.js'
import { itemAgain, itemsNow } from '../items.js'
import type { PloneSession } from '../session.js'
import { localOf, momentOf } from '../zone.js'

/** Posts are news here. */
export const posts: AreaOnSystem<'posts', PloneSession> = {
  keys: ['title', 'slug', 'summary', 'body', 'state', 'tags', 'date'],
  takes: (key, _value, { slug }) => (key === 'slug' ? notLatin(slug) : undefined),
  read(session, baseline) {
    const planned = new Map(core.plan(baseline).map(({ item }) => [item.slug, item.body]))
    return readEntries(session, 'News Item', planned, ({ description, subjects, effective }, zone) => ({
      summary: description ?? '',
      tags: (subjects ?? []).map((name) => refOf('tags', slugOf(name))),
      date: localOf(effective, zone),
    }))
  },
  readAgain: itemsNow,
  translate: (differences, here) =>
    differences.flatMap((difference) =>
      entrySteps('news', difference, here, (changed) => {
        if (difference.is === 'left over') return {}
        const { date } = difference.wanted
        const { allowed } = here.baseline.comments ?? {}
        return {
          ...(changed('date') && date !== undefined && { effective: momentOf(date, zoneIn(here)) }),
          // a new post takes over whether it may be commented on
          ...(difference.is === 'missing' && allowed !== undefined && { allow_discussion: allowed }),
        }
      }),
    ),
  again: itemAgain,
}

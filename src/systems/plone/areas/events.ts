import { events as core } from '../../../core/areas/events.js'
import type { AreaOnSystem } from '../../area-on-system.js'
import { notLatin } from '../../latin.js'
import { entrySteps, readEntries, zoneIn } from '../entries.js'
import { itemAgain, itemsNow } from '../items.js'
import type { PloneSession } from '../session.js'
import { localOf, momentOf } from '../zone.js'

export const events: AreaOnSystem<'events', PloneSession> = {
  keys: ['title', 'slug', 'start', 'end', 'place', 'body', 'state'],
  takes: (key, _value, { slug }) => (key === 'slug' ? notLatin(slug) : undefined),
  read(session, baseline) {
    const planned = new Map(core.plan(baseline).map(({ item }) => [item.slug, item.body]))
    return readEntries(session, 'Event', planned, ({ start, end, location }, zone) => ({
      start: localOf(start, zone),
      end: localOf(end, zone),
      place: location ?? '',
    }))
  },
  readAgain: itemsNow,
  translate: (differences, here) =>
    differences.flatMap((difference) =>
      entrySteps('event', difference, here, (changed) => {
        if (difference.is === 'left over') return {}
        const { start, end, place } = difference.wanted
        const moved = (changed('start') || changed('end')) && start !== undefined && end !== undefined
        // without its offset a time would be taken for one of Greenwich
        const zone = zoneIn(here)
        return {
          ...(moved && { start: momentOf(start, zone), end: momentOf(end, zone) }),
          ...(changed('place') && place !== undefined && { location: place }),
        }
      }),
    ),
  again: itemAgain,
}

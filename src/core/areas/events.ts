import { z } from 'zod'
import { filesAt } from '../baseline/named-files.js'
import { groupsIn, namedBy } from '../baseline/plain-values.js'
import type { Area } from '../area.js'
import { fileName, localTime, slug } from '../baseline/values.js'
import { isPublishing } from '../publishing-state.js'
import { refOf } from '../ref.js'
import { textBlocks } from '../text/plain.js'
import { momentText } from '../text/dates.js'
import { sameText } from '../text/normal-form.js'
import { textOf } from '../value.js'

export const eventSchema = z.strictObject({
  title: z
    .string()
    .min(1)
    .describe('What the event is called')
    .meta({ examples: ['Rope making for all'] }),
  slug: slug.describe('Its part of the address; an event is known by it'),
  start: localTime.describe("When it begins, on the site's own clock").meta({ examples: ['2026-06-13T11:00'] }),
  end: localTime.describe("When it ends, on the site's own clock").meta({ examples: ['2026-06-13T15:00'] }),
  place: z
    .string()
    .min(1)
    .optional()
    .describe('Where it is')
    .meta({ examples: ['The long shed'] }),
  body: fileName.optional().describe('A file in CommonMark beside the baseline; left out, there is no text'),
  state: z.enum(['published', 'draft']).optional().describe('Whether visitors can see it; left out: they can'),
  was: slug.optional().describe('The slug it had before: it is renamed, not made a second time'),
})

/** Something that happens at a place and a time. */
export interface EventItem {
  title: string
  slug: string
  /** `2026-06-13T11:00`, on the site's own clock. */
  start?: string
  /** On the site's own clock. */
  end?: string
  place?: string
  /** HTML. */
  body?: string
  state?: 'published' | 'draft'
}

/** Its part of the baseline file. */
export const eventsPart = {
  events: z
    .array(eventSchema)
    .optional()
    .describe('At least these events')
    .meta({
      examples: [
        [{ title: 'Rope making for all', slug: 'rope-making', start: '2026-06-13T11:00', end: '2026-06-13T15:00' }],
      ],
    }),
}

const words: Partial<Record<keyof EventItem, string>> = { body: 'text', start: 'begins', end: 'ends' }

/** Events: at least these, each known by its slug. */
export const events: Area<'events', EventItem> = {
  name: 'events',
  title: 'events',
  list: 'at least',
  questions: [{ key: 'events', ask: 'What happens when, and where?' }],
  shipped: 'Events',
  gone: z.array(slug).describe('Slugs of events'),
  guarded: true,
  apart: ['state'],
  closedAtFirst: ['state'],
  keys: ['title', 'slug', 'start', 'end', 'place', 'body', 'state'],
  named: ({ events }) => namedBy(events, 'slug', ['events']),
  files: ({ events }) => filesAt('body', events, 'body', ['events']),
  mistakes({ events }, add) {
    for (const [{ start, end }, index] of groupsIn(events))
      if (typeof start === 'string' && typeof end === 'string' && end < start)
        add('contradiction', ['events', index, 'end'], 'it ends before it begins', 'a later time')
  },
  ref: (item) => refOf('events', item.slug),
  plan: ({ events, bodies }) =>
    (events ?? []).map(({ body, state = 'published', was, ...item }) => ({
      item: { ...item, body: body === undefined ? undefined : bodies[body], state },
      was: was && refOf('events', was),
    })),
  texts: ['body'],
  opens: isPublishing,
  same: (key, wanted, found) => (key === 'body' ? sameText(textOf(wanted), textOf(found)) : wanted === found),
  call: (item) => `the event “${item.title}”`,
  say: (key) => words[key] ?? key,
  show: (key, value, language) => (key === 'start' || key === 'end' ? momentText(textOf(value), language) : undefined),
  expect: (items) =>
    items
      .filter(({ state }) => state === 'published')
      .map((item) => ({
        name: `${events.call(item)} shows when and where it is`,
        at: { ref: events.ref(item) },
        look: 'entry',
        title: item.title,
        texts: [...(item.place === undefined ? [] : [item.place]), ...textBlocks(item.body ?? '')],
      })),
}

import { clock } from '../../../common/server/clock.js'
import type { Office } from '../../../common/server/office.js'
import { pagesBelow, rights, type ContentSite, type Event, type News, type Page } from '../model.js'
import { items } from './items.js'

/** What stands at the top beside pages; a page at the place of all news or events stands above their list. */
const OWN = ['files', 'office', 'search', 'map', 'join', 'enter', 'leave', 'setup', 'themes', 'say', 'feed.xml']
const MOMENT = /^\d{4}-\d\d-\d\dT\d\d:\d\d$/

/** Pages, news and events. */
export function entries(office: Office, site: ContentSite): void {
  items<Page>(office, site, () => site.pages, {
    room: 'pages',
    marks: ({ parent, order, hidden, inherit, formerly, shared }) => ({
      ...{ parent: String(parent), order: String(order), hidden: String(hidden), inherit: String(inherit) },
      formerly: formerly.join('\n'),
      ...Object.fromEntries(rights.map((right) => [right, shared[right].join(',')])),
    }),
    fields: (item) => [
      { name: 'parent', label: 'Under, by number', value: String(item?.parent ?? 0) },
      { name: 'order', label: 'Order', value: String(item?.order ?? 0) },
      { name: 'hidden', label: 'Left out of menus', value: item?.hidden ? '1' : '', kind: 'box' },
      {
        ...{ name: 'inherit', label: 'Shared as the page above', kind: 'box' },
        value: (item?.inherit ?? true) ? '1' : '',
      },
      { name: 'formerly', label: 'Old addresses, a line each', value: item?.formerly.join('\n') ?? '', kind: 'long' },
    ],
    take: ({ parent = '0', order = '0', hidden, inherit, formerly = '' }, item) => ({
      parent: site.pages.some(({ id }) => String(id) === parent) ? Number(parent) : 0,
      order: Number(order) || pagesBelow(site, Number(parent)).length + 1,
      ...{ hidden: hidden === '1', inherit: inherit === '1' },
      formerly: formerly.split(/\r?\n/).filter((line) => line !== ''),
      shared: item?.shared ?? { read: [], write: [], edit: [] },
    }),
    clashes: ({ id, slug, parent = '0' }) =>
      (parent === '0' && OWN.includes(slug)) ||
      site.pages.some((other) => other.slug === slug && other.id !== id && String(other.parent) === parent),
    gone(id) {
      // what stood below it goes as well
      for (const { id: below } of site.pages.filter(({ parent }) => parent === id)) {
        site.pages = site.pages.filter((one) => one.id !== below)
        this.gone?.(below)
      }
      if (site.settings.frontPage === id) site.settings.frontPage = 0
    },
  })
  const beside =
    (all: () => readonly { id: number; slug: string }[]) =>
    ({ id, slug }: { id: number; slug: string }) =>
      all().some((other) => other.slug === slug && other.id !== id)
  items<News>(office, site, () => site.news, {
    room: 'news',
    marks: ({ date }) => ({ date }),
    fields: (item) => [
      { name: 'date', label: 'Appears', value: item?.date ?? '' },
      {
        ...{ name: 'open', label: 'Visitors may comment on it', kind: 'box' },
        value: (item?.open ?? site.settings.commentsAllowed) ? '1' : '',
      },
    ],
    take: ({ date = '', open }) => ({
      date: MOMENT.test(date) ? date : clock(site.settings.timezone),
      open: open === '1',
    }),
    clashes: beside(() => site.news),
    gone: (id) => (site.comments = site.comments.filter(({ news }) => news !== id)),
  })
  items<Event>(office, site, () => site.events, {
    room: 'events',
    marks: ({ start, end, place }) => ({ start, end, place }),
    fields: (item) => [
      { name: 'start', label: 'Begins', value: item?.start ?? '' },
      { name: 'end', label: 'Ends', value: item?.end ?? '' },
      { name: 'place', label: 'Where', value: item?.place ?? '' },
    ],
    take({ start = '', end = '', place = '' }) {
      const from = MOMENT.test(start) ? start : clock(site.settings.timezone)
      return { start: from, end: MOMENT.test(end) ? end : from, place }
    },
    clashes: beside(() => site.events),
  })
}

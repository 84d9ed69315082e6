import { esc } from '../html.js'
import { pagesBelow, type Account, type columnPlaces, type ContentSite } from '../model.js'
import { may } from '../reading.js'
import type { Frame } from './frame.js'

/** What stands in a column, as this one may see it. */
export function columnOf(frame: Frame, account: Account | undefined, place: (typeof columnPlaces)[number]): string {
  const { lines, texts } = frame.site.columns[place]
  return lines
    .map((name) => {
      const own = /^text (\d)$/.exec(name)?.[1]
      if (own !== undefined) return `<section class="text">${texts[Number(own) - 1] ?? ''}</section>`
      return parts[name]?.(frame, account) ?? ''
    })
    .join('')
}

const list = (title: string, items: readonly string[]): string =>
  `<section><h2>${title}</h2><ul>${items.map((item) => `<li>${item}</li>`).join('')}</ul></section>`
const latest = <E extends { state: string }>(all: readonly E[]): E[] =>
  all.filter(({ state }) => state === 'published').slice(-5)

const parts: Record<string, (frame: Frame, account: Account | undefined) => string> = {
  search: ({ base }) =>
    `<section><form action="${base}search" role="search"><label for="seek">Search</label><input id="seek" name="for" type="search"></form></section>`,
  navigation: (frame, account) => list('On this site', branches(frame, account, 0)),
  'latest posts': ({ site, base }) =>
    list(
      'News',
      latest(site.news.toSorted((a, b) => a.date.localeCompare(b.date)))
        .toReversed()
        .map(({ slug, title }) => `<a href="${base}news/${slug}">${esc(title)}</a>`),
    ),
  events: ({ site, base }) =>
    list(
      'Events',
      latest(site.events).map(({ slug, title }) => `<a href="${base}events/${slug}">${esc(title)}</a>`),
    ),
}

function branches(frame: Frame, account: Account | undefined, parent: number): string[] {
  const { site, base }: { site: ContentSite; base: string } = frame
  return pagesBelow(site, parent)
    .filter((page) => !page.hidden && may(site, account, 'read', page))
    .map(({ id, title }) => {
      const inside = branches(frame, account, id).map((item) => `<li>${item}</li>`)
      const below = inside.length === 0 ? '' : `<ul>${inside.join('')}</ul>`
      return `<a href="${base}${frame.placeOf(id)}">${esc(title)}</a>${below}`
    })
}

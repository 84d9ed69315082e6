import type { FastifyInstance, FastifyReply, FastifyRequest } from 'fastify'
import { written } from '../../../common/server/clock.js'
import type { Sessions } from '../../../common/server/sessions.js'
import { esc } from '../html.js'
import { pathOf, type ContentSite, type Page } from '../model.js'
import { may, maySee } from '../reading.js'
import { comments, commentsUnder } from './comments.js'
import { Frame } from './frame.js'
import { join } from './join.js'
import { work } from './work.js'

/** What visitors and members see. */
export function publicPages(app: FastifyInstance, site: ContentSite, sessions: Sessions, base: string): void {
  const frame = new Frame(site, sessions, base)
  const { settings } = site
  const bare = (place: string) => place.replace(/^\/|\/$/g, '')
  const byPath = (asked: string): Page | undefined => site.pages.find((page) => pathOf(site, page) === bare(asked))
  const moment = (at: string) =>
    `${written(at, settings.date, settings.language)}, ${written(at, settings.time, settings.language)}`
  const links = (items: readonly { place: string; title: string }[]) =>
    `<ul>${items.map(({ place, title }) => `<li><a href="${base}${place}">${esc(title)}</a></li>`).join('')}</ul>`

  app.get(base, (request, reply) => {
    const front = site.pages.find(({ id }) => id === settings.frontPage)
    if (front && may(site, frame.who(request), 'read', front))
      return frame.show(request, reply, '', frame.article(front))
    return frame.show(
      request,
      reply,
      '',
      `<article class="entry"><div class="text">${settings.frontText}</div></article>`,
    )
  })
  const pageAt = (asked: string, request: FastifyRequest, reply: FastifyReply) => {
    const page = byPath(asked)
    if (page)
      return may(site, frame.who(request), 'read', page)
        ? frame.show(request, reply, page.title, frame.article(page))
        : frame.refuse(request, reply)
    const moved = site.pages.find(({ formerly }) => formerly.some((place) => bare(place) === bare(asked)))
    return moved ? reply.redirect(`${base}${pathOf(site, moved)}/`, 301) : frame.lost(request, reply)
  }
  app.get<{ Params: { '*': string } }>(`${base}*`, (request, reply) => pageAt(request.params['*'], request, reply))
  for (const sort of ['news', 'events'] as const) {
    const open = () => site[sort].filter(({ state }) => state === 'published')
    app.get(`${base}${sort}`, (request, reply) => {
      const all = links(open().map((one) => ({ place: `${sort}/${one.slug}`, title: one.title })))
      const page = byPath(sort)
      if (page && !may(site, frame.who(request), 'read', page)) return frame.refuse(request, reply)
      if (page) return frame.show(request, reply, page.title, `${frame.article(page)}${all}`)
      const title = sort === 'news' ? 'News' : 'Events'
      return frame.show(request, reply, title, `<h2>${title}</h2>${all}`)
    })
  }
  app.get<{ Params: { slug: string } }>(`${base}news/:slug`, (request, reply) => {
    const found = site.news.find(({ slug }) => slug === request.params.slug)
    if (!found) return pageAt(`news/${request.params.slug}`, request, reply)
    if (found.state === 'private' && frame.who(request)?.role !== 'manager') return frame.refuse(request, reply)
    const when = `<p class="when">${esc(moment(found.date))}</p>`
    return frame.show(request, reply, found.title, frame.article(found, when, commentsUnder(site, found, base)))
  })
  app.get<{ Params: { slug: string } }>(`${base}events/:slug`, (request, reply) => {
    const found = site.events.find(({ slug }) => slug === request.params.slug)
    if (!found) return pageAt(`events/${request.params.slug}`, request, reply)
    if (found.state === 'private' && frame.who(request)?.role !== 'manager') return frame.refuse(request, reply)
    const { start, end, place } = found
    const when = `<p class="when">${esc(`${moment(start)} – ${moment(end)}`)}</p><p>${esc(place)}</p>`
    return frame.show(request, reply, found.title, frame.article(found, when))
  })
  /** All pages that this one may see, as a map of the site or for a word. */
  const seen = (request: Parameters<typeof frame.who>[0], word = '') =>
    site.pages
      .filter((page) => may(site, frame.who(request), 'read', page))
      .filter(({ title, body }) => `${title} ${body}`.toLowerCase().includes(word.toLowerCase()))
      .map((page) => ({ place: `${pathOf(site, page)}/`, title: page.title }))
  app.get(`${base}map`, (request, reply) =>
    frame.show(request, reply, 'Map', `<h2>Map</h2><div id="map">${links(seen(request))}</div>`),
  )
  app.get<{ Querystring: { for?: string } }>(`${base}search`, (request, reply) =>
    frame.show(request, reply, 'Search', `<h2>Search</h2>${links(seen(request, request.query.for))}`),
  )
  app.get<{ Params: { name: string } }>(`${base}files/:name`, (request, reply) => {
    const found = site.uploads.find(({ name }) => name === request.params.name)
    if (!found) return frame.lost(request, reply)
    return maySee(frame.who(request), found) ? reply.type(found.type).send(found.bytes) : frame.refuse(request, reply)
  })
  app.get<{ Params: { file: string } }>(`${base}themes/:file`, (request, reply) => {
    const found = site.themes.find(({ name }) => `${name}.css` === request.params.file)
    return found ? reply.type('text/css; charset=utf-8').send(found.css ?? '') : frame.lost(request, reply)
  })
  app.get(`${base}feed.xml`, (_request, reply) => {
    const items = site.news
      .filter(({ state }) => state === 'published')
      .map(
        ({ title, slug, body }) =>
          `<item><title>${esc(title)}</title><link>${base}news/${slug}</link><description>${esc(body)}</description></item>`,
      )
    const { title, description } = settings
    return reply
      .type('application/rss+xml; charset=utf-8')
      .send(
        `<?xml version="1.0" encoding="UTF-8"?>\n<rss version="2.0"><channel><title>${esc(title)}</title><link>${base}</link><description>${esc(description)}</description>${items.join('')}</channel></rss>\n`,
      )
  })
  work(app, site, frame, byPath)
  comments(app, site, frame)
  join(app, site, frame)
  app.setNotFoundHandler((request, reply) => frame.lost(request, reply))
}

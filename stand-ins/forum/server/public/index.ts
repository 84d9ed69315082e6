import type { FastifyInstance } from 'fastify'
import type { Sessions } from '../../../common/server/sessions.js'
import { esc } from '../html.js'
import type { Board } from '../model.js'
import { mayIn } from '../rights.js'
import { Frame } from './frame.js'
import { join } from './join.js'
import { topics } from './topics.js'

/** What visitors and members see. */
export function publicPages(app: FastifyInstance, board: Board, sessions: Sessions, base: string, mail?: number): void {
  const frame = new Frame(board, sessions, base)
  app.get(base, (request, reply) => {
    const sections = board.categories.map(({ id, title, description }) => {
      const rows = board.forums
        .filter(({ category }) => category === id)
        .flatMap((forum) => {
          const may = frame.may(request, forum)
          if (!may.has('see')) return []
          const name = may.has('read') ? `<a href="${base}forum/${forum.id}">${esc(forum.title)}</a>` : esc(forum.title)
          const own = board.topics.filter((topic) => topic.forum === forum.id).length
          const note = forum.locked ? ' · locked' : may.has('read') ? '' : ' · for some only'
          const count = own === 1 ? '1 topic' : `${own} topics`
          return [
            `<li class="forum" data-id="${forum.id}" data-may="${[...may].join(' ')}"><div><h3>${name}</h3><p class="quiet">${esc(forum.description)}</p></div><p class="count">${count}${note}</p></li>`,
          ]
        })
      // a category in which somebody sees nothing is not shown to them
      if (rows.length === 0) return ''
      return `<section class="category"><h2>${esc(title)}</h2>${description && `<p class="quiet">${esc(description)}</p>`}<ul class="forums">${rows.join('')}</ul></section>`
    })
    return frame.show(request, reply, '', sections.join('') || '<p>There is no forum here yet.</p>')
  })
  topics(app, board, frame)
  join(app, board, frame, mail)
  app.get<{ Params: { file: string } }>(`${base}themes/:file`, (request, reply) => {
    const found = board.themes.find(({ name }) => `${name}.css` === request.params.file)
    return found ? reply.type('text/css; charset=utf-8').send(found.css ?? '') : frame.lost(request, reply)
  })
  app.get(`${base}feed.xml`, (_request, reply) => {
    const open = board.forums.filter((forum) => mayIn(board, forum, undefined).has('read')).map(({ id }) => id)
    const items = board.topics
      .filter(({ forum }) => open.includes(forum))
      .map(({ id, title }) => `<item><title>${esc(title)}</title><link>${base}topic/${id}</link></item>`)
    const { title, description } = board.settings
    return reply
      .type('application/rss+xml; charset=utf-8')
      .send(
        `<?xml version="1.0" encoding="UTF-8"?>\n<rss version="2.0"><channel><title>${esc(title)}</title><link>${base}</link><description>${esc(description)}</description>${items.join('')}</channel></rss>\n`,
      )
  })
  app.setNotFoundHandler((request, reply) => frame.lost(request, reply))
}

import type { FastifyReply, FastifyRequest } from 'fastify'
import type { Sessions } from '../../../common/server/sessions.js'
import { esc, page } from '../html.js'
import type { Account, Board, Forum } from '../model.js'
import { mayIn } from '../rights.js'

/** What all pages that visitors see share: who looks, the theme's dress, and what add-ons say. */
export class Frame {
  constructor(
    readonly board: Board,
    readonly sessions: Sessions,
    readonly base: string,
  ) {}

  /** Whoever looks, if they are signed in. */
  who(request: FastifyRequest): Account | undefined {
    const id = this.sessions.account(request)
    return this.board.accounts.find((account) => account.id === id)
  }

  may(request: FastifyRequest, forum: Forum): ReturnType<typeof mayIn> {
    return mayIn(this.board, forum, this.who(request))
  }

  show(request: FastifyRequest, reply: FastifyReply, title: string, main: string, status = 200): FastifyReply {
    const { board, base } = this
    const { settings } = board
    if (board.addOns.some(({ active, breaks }) => active && breaks))
      return reply.status(500).type('text/html; charset=utf-8').send('')
    const theme = board.themes.find(({ active }) => active)
    const account = this.who(request)
    const head = [
      `<link rel="alternate" type="application/rss+xml" href="${base}feed.xml">`,
      `<meta name="theme" content="${esc(theme?.name ?? '')}">`,
      settings.searchEngines ? '' : '<meta name="robots" content="noindex, nofollow">',
    ].join('')
    const said = board.addOns.flatMap(({ active, footer }) => (active && footer ? [footer] : []))
    const doors = account
      ? `<span id="me">${esc(account.shown)}</span>`
      : `<a href="${base}enter">Sign in</a> <a href="${base}join">Join</a>`
    const body = [
      `<header class="top"><div class="wrap"><p class="name"><a href="${base}">${esc(settings.title)}</a></p>`,
      `<p class="line">${esc(settings.description)}</p><nav>${doors}</nav></div></header><div class="wrap"><main>${main}</main></div>`,
      `<footer><div class="wrap">${said.map((text) => `<p class="card">${esc(text)}</p>`).join('')}</div></footer>`,
    ].join('')
    const name = title === '' ? settings.title : `${title} · ${settings.title}`
    const css = theme?.css === undefined ? undefined : `${base}themes/${theme.name}.css`
    return reply
      .status(status)
      .type('text/html; charset=utf-8')
      .send(page({ title: name, lang: settings.language, head, body, css }))
  }

  lost(request: FastifyRequest, reply: FastifyReply): FastifyReply {
    return this.show(request, reply, 'Not found', '<p>There is nothing here.</p>', 404)
  }

  refuse(request: FastifyRequest, reply: FastifyReply, text: string, status = 403): FastifyReply {
    return this.show(request, reply, 'Not here', `<p id="refused">${esc(text)}</p>`, status)
  }
}

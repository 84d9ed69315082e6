import type { FastifyReply, FastifyRequest } from 'fastify'
import type { Sessions } from '../../../common/server/sessions.js'
import { esc, page } from '../html.js'
import { accountOf, pagesBelow, pathOf, type Account, type ContentSite, type Entry, type MenuEntry } from '../model.js'
import { may } from '../reading.js'
import { columnOf } from './columns.js'

/** What all pages share that visitors and members see: who looks, the theme's dress, the menu, and columns. */
export class Frame {
  constructor(
    readonly site: ContentSite,
    readonly sessions: Sessions,
    readonly base: string,
  ) {}

  /** Whoever looks, if they are signed in. */
  who(request: FastifyRequest): Account | undefined {
    return accountOf(this.site, this.sessions.account(request))
  }

  show(request: FastifyRequest, reply: FastifyReply, title: string, main: string, status = 200): FastifyReply {
    const { site, base } = this
    const { settings } = site
    if (site.addOns.some(({ active, breaks }) => active && breaks))
      return reply.status(500).type('text/html; charset=utf-8').send('')
    const theme = site.themes.find(({ active }) => active)
    const picture = (number: number) => site.uploads.find(({ id }) => id === number)?.name
    const [icon, logo] = [picture(settings.icon), picture(settings.logo)]
    const head = [
      `<link rel="alternate" type="application/rss+xml" href="${base}feed.xml">`,
      `<meta name="theme" content="${esc(theme?.name ?? '')}">`,
      // when it was made: no other site was at that moment
      `<meta name="since" content="${esc(site.since)}">`,
      settings.searchEngines ? '' : '<meta name="robots" content="noindex, nofollow">',
      icon === undefined ? '' : `<link rel="icon" href="${base}files/${icon}">`,
    ].join('')
    const account = this.who(request)
    const doors = account
      ? `<span id="me">${esc(account.shown || account.username)}</span>`
      : `<a href="${base}enter">Sign in</a> <a href="${base}join">Join</a>`
    const sign = logo === undefined ? '' : `<img class="logo" src="${base}files/${logo}" alt="">`
    const column = (place: 'left' | 'right') => {
      const inside = columnOf(this, account, place)
      return inside && `<aside class="column ${place}">${inside}</aside>`
    }
    const said = site.addOns.flatMap(({ active, footer }) => (active && footer ? [footer] : []))
    const body = [
      `<header class="top"><div class="wrap"><p class="doors">${doors}</p>${sign}<p class="name"><a href="${base}">${esc(settings.title)}</a></p>`,
      `<p class="line">${esc(settings.description)}</p><nav>${this.#menu(account)}</nav></div></header>`,
      `<div class="wrap page-body">${column('left')}<main>${main}</main>${column('right')}</div>`,
      `<footer class="foot"><div class="wrap">${columnOf(this, account, 'foot')}${said.map((text) => `<p class="card">${esc(text)}</p>`).join('')}</div></footer>`,
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

  /** What somebody may not see: whoever is not signed in may try to be. */
  refuse(request: FastifyRequest, reply: FastifyReply): FastifyReply {
    return this.who(request)
      ? this.show(request, reply, 'Not for you', '<p id="refused">This is not for you.</p>', 403)
      : reply.redirect(`${this.base}enter`, 302)
  }

  /** An item, whole. @param more what stands between its title and its text, and below it, as HTML */
  article({ title, summary, body, tags }: Entry, when = '', below = ''): string {
    const lead = summary === '' ? '' : `<p class="lead">${esc(summary)}</p>`
    const words = tags.length === 0 ? '' : `<p class="tags">${tags.map(esc).join(', ')}</p>`
    return `<article class="page entry"><h2>${esc(title)}</h2>${when}${lead}<div class="text">${body}</div>${words}${below}</article>`
  }

  #menu(account: Account | undefined): string {
    const { site, base } = this
    const usual = () =>
      pagesBelow(site, 0)
        .filter(({ hidden }) => !hidden)
        .map(({ id, title }): MenuEntry => ({ kind: 'page', to: String(id), label: title }))
    const entries = site.menu.length > 0 ? site.menu : usual()
    const items = entries.flatMap(({ kind, to, label }) => {
      if (kind === 'link') return [`<a href="${esc(to)}">${esc(label)}</a>`]
      const found = site.pages.find(({ id }) => String(id) === to)
      return found && may(site, account, 'read', found)
        ? [`<a class="page" href="${base}${this.placeOf(found.id)}">${esc(label)}</a>`]
        : []
    })
    return items.length === 0 ? '' : `<ul class="menu">${items.map((html) => `<li>${html}</li>`).join('')}</ul>`
  }

  /** Where a page stands; the one in front stands in front. */
  placeOf(id: number): string {
    const found = this.site.pages.find((page) => page.id === id)
    return !found || id === this.site.settings.frontPage ? '' : `${pathOf(this.site, found)}/`
  }
}

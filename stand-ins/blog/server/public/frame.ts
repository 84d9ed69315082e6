import type { FastifyReply } from 'fastify'
import { written } from '../../../common/server/clock.js'
import { pagePlace, postPlace } from '../addresses.js'
import { esc, page } from '../html.js'
import { pathOf, placesOf, themeOf, type Blog, type MenuEntry, type Post } from '../model.js'

/** What all pages that visitors see share: the theme's dress, menus, sidebar, links, and what add-ons say. */
export class Frame {
  constructor(
    readonly blog: Blog,
    readonly base: string,
  ) {}

  show(reply: FastifyReply, title: string, main: string, status = 200): FastifyReply {
    const { blog, base } = this
    const { settings } = blog
    if (blog.addOns.some(({ active, breaks }) => active && breaks))
      return reply.status(500).type('text/html; charset=utf-8').send('')
    const theme = themeOf(blog)
    const icon = blog.uploads.find(({ id }) => id === settings.icon)
    const head = [
      `<link rel="alternate" type="application/rss+xml" href="${base}feed.xml">`,
      `<meta name="theme" content="${esc(theme?.name ?? '')}">`,
      // when it was set up: no other blog was at that moment
      `<meta name="since" content="${esc(blog.accounts[0]?.made ?? '')}">`,
      settings.searchEngines ? '' : '<meta name="robots" content="noindex, nofollow">',
      icon ? `<link rel="icon" href="${base}files/${icon.name}">` : '',
    ].join('')
    const side = this.#side()
    const said = blog.addOns.flatMap(({ active, footer }) => (active && footer ? [footer] : []))
    const body = [
      `<header class="top"><div class="wrap"><p class="name"><a href="${base}">${esc(settings.title)}</a></p>`,
      `<p class="line">${esc(settings.description)}</p><nav>${this.#menu('main') || this.#everything()}</nav></div></header>`,
      `<div class="wrap page-body${side ? '' : ' wide'}"><main>${main}</main>${side && `<aside class="side">${side}</aside>`}</div>`,
      `<footer class="foot"><div class="wrap"><nav>${this.#menu('footer')}</nav>${this.#links()}`,
      `${said.map((text) => `<p class="card">${esc(text)}</p>`).join('')}<p>${this.#privacy()}<a href="${base}enter">Sign in</a></p></div></footer>`,
    ].join('')
    const name = title === '' ? settings.title : `${title} · ${settings.title}`
    const css = theme?.css === undefined ? undefined : `${base}themes/${theme.name}.css`
    return reply
      .status(status)
      .type('text/html; charset=utf-8')
      .send(page({ title: name, lang: settings.language, head, body, css }))
  }

  #privacy(): string {
    const { blog, base } = this
    const page = blog.pages.find(({ id, state }) => id === blog.settings.privacyPage && state === 'published')
    return page ? `<a rel="privacy" href="${base}${pagePlace(blog, page)}">${esc(page.title)}</a> · ` : ''
  }

  lost(reply: FastifyReply): FastifyReply {
    return this.show(reply, 'Not found', '<p>There is nothing here.</p>', 404)
  }

  /** A post in a list, or a whole page of it. */
  article(post: Post, whole = false): string {
    const { date, time, language } = this.blog.settings
    const title = whole ? esc(post.title) : `<a href="${this.base}${postPlace(this.blog, post)}">${esc(post.title)}</a>`
    const when = `${written(post.date, date, language)}, ${written(post.date, time, language)}`
    return `<article class="post entry"><h2>${title}</h2><p class="when">${esc(when)}</p><div class="text">${post.body}</div></article>`
  }

  /** Published posts whose time has come, the latest first. */
  posts(): Post[] {
    return this.blog.posts.filter(({ state }) => state === 'published').sort((a, b) => b.date.localeCompare(a.date))
  }

  #entry({ kind, to, label }: MenuEntry): string {
    const { blog, base } = this
    if (kind === 'link') return `<a href="${esc(to)}">${esc(label)}</a>`
    if (kind === 'category') {
      const category = blog.categories.find(({ id }) => String(id) === to)
      return category ? `<a href="${base}category/${pathOf(blog.categories, category)}">${esc(label)}</a>` : ''
    }
    const found = blog.pages.find(({ id, state }) => String(id) === to && state === 'published')
    return found ? `<a class="page" href="${base}${pagePlace(blog, found)}">${esc(label)}</a>` : ''
  }

  #list(entries: readonly MenuEntry[]): string {
    const items = entries.map((entry) => this.#entry(entry)).filter((html) => html !== '')
    return items.length === 0 ? '' : `<ul class="menu">${items.map((html) => `<li>${html}</li>`).join('')}</ul>`
  }

  #menu(place: string): string {
    return placesOf(this.blog, 'places').includes(place) ? this.#list(this.blog.menus[place] ?? []) : ''
  }

  /** Where no menu stands: all pages, and the top categories. */
  #everything(): string {
    const { pages, categories } = this.blog
    return this.#list([
      ...pages.map(({ id, title }) => ({ kind: 'page' as const, to: String(id), label: title })),
      ...categories
        .filter(({ parent }) => parent === 0)
        .map(({ id, name }) => ({ kind: 'category' as const, to: String(id), label: name })),
    ])
  }

  #side(): string {
    const { blog, base } = this
    const link = (place: string, text: string) => `<li><a href="${base}${place}">${esc(text)}</a></li>`
    const posts = this.posts()
    const parts: Record<string, () => string[]> = {
      'latest posts': () => posts.slice(0, 5).map((post) => link(postPlace(blog, post), post.title)),
      'latest comments': () =>
        blog.comments
          .filter(({ state }) => state === 'shown')
          .map(({ by, text }) => `<li>${esc(by)}: ${esc(text)}</li>`),
      archives: () => [...new Set(posts.map(({ date }) => date.slice(0, 7)))].map((month) => `<li>${month}</li>`),
      categories: () => blog.categories.map((one) => link(`category/${pathOf(blog.categories, one)}`, one.name)),
      tags: () => blog.tags.map(({ slug, name }) => link(`tag/${slug}`, name)),
      pages: () =>
        blog.pages.filter(({ state }) => state === 'published').map((one) => link(pagePlace(blog, one), one.title)),
    }
    return placesOf(blog, 'sidebars')
      .flatMap((place) => blog.sidebars[place] ?? [])
      .map((name) => {
        if (name === 'search')
          return `<section><form action="${base}" role="search"><label for="seek">Search</label><input id="seek" name="seek" type="search"></form></section>`
        const heading = `${name.charAt(0).toUpperCase()}${name.slice(1)}`
        return `<section><h2>${heading}</h2><ul>${parts[name]?.().join('') ?? ''}</ul></section>`
      })
      .join('')
  }

  #links(): string {
    const { links, linkCategories } = this.blog
    return linkCategories
      .map(({ id, name }) => ({ name, own: links.filter(({ category }) => category === id) }))
      .filter(({ own }) => own.length > 0)
      .map(({ name, own }) => {
        const items = own.map(
          ({ title, link, description }) =>
            `<li><a href="${esc(link)}" title="${esc(description)}">${esc(title)}</a></li>`,
        )
        return `<section class="links"><h2>${esc(name)}</h2><ul>${items.join('')}</ul></section>`
      })
      .join('')
  }
}

import type { FastifyReply, FastifyRequest } from 'fastify'
import { esc, page } from '../html.js'
import { below, pathOf, type MenuEntry, type Product, type Shop } from '../model.js'
import { digitsOf, partsOf, priceOf, shown } from '../sums.js'
import type { Carts } from './carts.js'

/** What all pages share that visitors see: the menu, the search, the cart. */
export class Frame {
  constructor(
    readonly shop: Shop,
    readonly carts: Carts,
    readonly base: string,
  ) {}

  show(request: FastifyRequest, reply: FastifyReply, title: string, main: string, status = 200): FastifyReply {
    const { shop, base } = this
    const { settings } = shop
    const picture = (number: number) => shop.uploads.find(({ id }) => id === number)?.name
    const [icon, logo] = [picture(settings.icon), picture(settings.logo)]
    const head = [
      // when it was set up: no other shop was at that moment
      `<meta name="since" content="${esc(shop.since)}">`,
      settings.searchEngines ? '' : '<meta name="robots" content="noindex, nofollow">',
      icon === undefined ? '' : `<link rel="icon" href="${base}files/${icon}">`,
    ].join('')
    const sign = logo === undefined ? '' : `<img class="logo" src="${base}files/${logo}" alt="">`
    const count = this.carts.of(request).reduce((sum, one) => sum + one.count, 0)
    const seek = `<form action="${base}search" role="search"><input aria-label="Search" name="for" type="search" placeholder="Search"></form>`
    const where = [settings.street, settings.city, settings.postcode]
      .filter((part) => part !== '')
      .map(esc)
      .join(', ')
    const body = [
      `<header class="top"><div class="wrap"><div class="doors">${seek} <a href="${base}cart">Cart (${count})</a></div>${sign}`,
      `<p class="name"><a href="${base}">${esc(settings.title)}</a></p><p class="line">${esc(settings.description)}</p><nav>${this.#menu()}</nav></div></header>`,
      `<div class="wrap"><main>${main}</main></div>`,
      `<footer class="foot"><div class="wrap"><p>${where} ${esc(settings.phone)} ${esc(settings.email)}</p><p><a href="${base}enter">Sign in</a></p></div></footer>`,
    ].join('')
    const name = title === '' ? settings.title : `${title} · ${settings.title}`
    return reply
      .status(status)
      .type('text/html; charset=utf-8')
      .send(page({ title: name, lang: settings.language, head, body }))
  }

  lost(request: FastifyRequest, reply: FastifyReply): FastifyReply {
    return this.show(request, reply, 'Not found', '<p>There is nothing here.</p>', 404)
  }

  money(parts: number): string {
    return esc(shown(this.shop, parts, digitsOf(this.shop)))
  }

  price(product: Product): string {
    const digits = digitsOf(this.shop)
    const now = this.money(partsOf(priceOf(product), digits))
    const usual = product.sale === '' ? '' : `<s>${this.money(partsOf(product.price, digits))}</s> `
    return `<p class="price">${usual}<span class="now">${now}</span></p>`
  }

  picture(number: number | undefined, alt: string): string {
    const found = this.shop.uploads.find(({ id }) => id === number)
    return found ? `<img src="${this.base}files/${found.name}" alt="${esc(alt)}">` : ''
  }

  /** Products side by side, one for all that stand under its slug; what is sold out is left out. */
  shelf(products: readonly Product[]): string {
    const items = eachOnce(products).map(
      (one) =>
        `<li>${this.picture(one.pictures[0], one.name)}<a class="product" href="${this.base}${one.slug}/">${esc(one.name)}</a>${this.price(one)}</li>`,
    )
    return items.length === 0 ? '<p>Nothing here yet.</p>' : `<ul class="shelf">${items.join('')}</ul>`
  }

  #menu(): string {
    const { shop } = this
    const usual = () =>
      below(shop, 0).map(({ id, name }): MenuEntry => ({ kind: 'category', to: String(id), label: name }))
    const entries = shop.menu.length > 0 ? shop.menu : usual()
    const items = entries.flatMap(({ kind, to, label }) => {
      const place = this.#placeOf(kind, to)
      return place === undefined ? [] : [`<a class="${kind}" href="${esc(place)}">${esc(label)}</a>`]
    })
    return items.length === 0 ? '' : `<ul class="menu">${items.map((html) => `<li>${html}</li>`).join('')}</ul>`
  }

  #placeOf(kind: MenuEntry['kind'], to: string): string | undefined {
    const { shop, base } = this
    if (kind === 'link') return to
    const category = kind === 'category' ? shop.categories.find(({ id }) => String(id) === to) : undefined
    if (category) return `${base}${pathOf(shop, category)}/`
    const found =
      kind === 'page' ? shop.pages.find(({ id, state }) => String(id) === to && state === 'published') : undefined
    return found && `${base}${found.slug}/`
  }
}

/** Products that are to be had: of those that stand under one slug, the first. */
export function eachOnce(products: readonly Product[]): Product[] {
  const slugs = new Set<string>()
  return products.filter(
    ({ slug, state, stock }) => state === 'shown' && stock > 0 && !slugs.has(slug) && slugs.add(slug),
  )
}

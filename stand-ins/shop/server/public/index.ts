import type { FastifyInstance } from 'fastify'
import { esc, form } from '../html.js'
import { below, choicesOf, pathOf, type Category, type Product, type Shop } from '../model.js'
import { Carts } from './carts.js'
import { checkOut } from './check-out.js'
import { eachOnce, Frame } from './frame.js'

/** Products on one page of a list. */
const ON_A_PAGE = 60

/** What visitors see. */
export function publicPages(app: FastifyInstance, shop: Shop, base: string): void {
  const frame = new Frame(shop, new Carts(base), base)
  const { settings } = shop
  const links = (categories: readonly Category[]) =>
    categories.length === 0
      ? ''
      : `<ul class="below">${categories.map((one) => `<li><a href="${base}${pathOf(shop, one)}/">${esc(one.name)}</a></li>`).join('')}</ul>`

  app.get(base, (request, reply) =>
    frame.show(
      request,
      reply,
      '',
      `<article class="entry"><div class="text">${settings.frontText}</div></article>${frame.shelf(shop.products.slice(-8))}`,
    ),
  )
  const categoryPage = (category: Category, asked: number): string => {
    const { id, name, description, picture } = category
    const own = eachOnce(shop.products.filter(({ categories }) => categories.includes(id)))
    const at = Number.isInteger(asked) && asked > 1 ? asked : 1
    const more = own.length > at * ON_A_PAGE
    const next = more ? `<p><a class="next" href="${base}${pathOf(shop, category)}/?page=${at + 1}">More</a></p>` : ''
    const text = description === '' ? '' : `<div class="text">${esc(description)}</div>`
    return `<h2>${esc(name)}</h2>${frame.picture(picture, name)}${text}${links(below(shop, id))}${frame.shelf(own.slice((at - 1) * ON_A_PAGE, at * ON_A_PAGE))}${next}`
  }
  const productPage = (product: Product, all: readonly Product[]): string => {
    const { id, name, stock, body, pictures } = product
    const buy = form({
      ...{ action: `${base}cart`, token: '', id: 'buy', button: 'Into the cart' },
      fields: [{ name: 'count', label: 'How many', value: '1' }],
    }).replace('name="token" value=""', `name="product" value="${id}"`)
    const way = stock > 0 ? buy : '<p class="sold" id="sold">Sold out</p>'
    const shown = pictures.map((one) => frame.picture(one, name)).join('')
    const choices = choicesOf(all, product).map(({ part, sku, isChosen }) => {
      const [option = '', value = ''] = part.split(': ')
      const data = `data-name="${esc(option)}" data-value="${esc(value)}"`
      return `<li ${data}${isChosen ? ' class="chosen"' : ''}><a href="?sku=${esc(sku)}">${esc(part)}</a></li>`
    })
    const choose = choices.length === 0 ? '' : `<ul class="choices">${choices.join('')}</ul>`
    return `<article class="product"><div class="pictures">${shown}</div><div class="about"><h2>${esc(name)}</h2>${choose}${frame.price(product)}<div class="text">${body}</div>${way}</div></article>`
  }
  app.get<{ Params: { '*': string }; Querystring: { page?: string; sku?: string } }>(`${base}*`, (request, reply) => {
    const asked = request.params['*'].replace(/^\/|\/$/g, '')
    const category = shop.categories.find((one) => pathOf(shop, one) === asked)
    if (category) return frame.show(request, reply, category.name, categoryPage(category, Number(request.query.page)))
    const ones = shop.products.filter(({ slug, state }) => slug === asked && state === 'shown')
    const product = ones.find(({ sku }) => sku === request.query.sku) ?? ones[0]
    if (product) return frame.show(request, reply, product.name, productPage(product, ones))
    const page = shop.pages.find(({ slug, state }) => slug === asked && state === 'published')
    if (!page) return frame.lost(request, reply)
    const text = `<article class="page entry"><h2>${esc(page.title)}</h2><div class="text">${page.body}</div></article>`
    return frame.show(request, reply, page.title, text)
  })
  app.get<{ Querystring: { for?: string } }>(`${base}search`, (request, reply) => {
    const words = (request.query.for ?? '')
      .toLowerCase()
      .split(/\s+/)
      .filter((one) => one !== '')
    const found =
      words.length === 0
        ? []
        : shop.products.filter(({ name }) => words.every((one) => name.toLowerCase().includes(one)))
    return frame.show(request, reply, 'Search', `<h2>Search</h2>${frame.shelf(found)}`)
  })
  app.get<{ Params: { name: string } }>(`${base}files/:name`, (request, reply) => {
    const found = shop.uploads.find(({ name }) => name === request.params.name)
    return found ? reply.type(found.type).send(found.bytes) : frame.lost(request, reply)
  })
  checkOut(app, frame)
  app.setNotFoundHandler((request, reply) => frame.lost(request, reply))
}

import type { FastifyInstance, FastifyReply, FastifyRequest } from 'fastify'
import type { Fields } from '../../../common/server/office.js'
import { esc, form } from '../html.js'
import type { Shipping } from '../model.js'
import { digitsOf, goodsOf, shippingOf, waysTo } from '../sums.js'
import type { Frame } from './frame.js'
import type { Recipient } from './carts.js'

type Asked = FastifyRequest<{ Body: Fields | undefined }>
const keys = ['name', 'email', 'street', 'city', 'region', 'postcode', 'country'] as const
const labels = ['Name', 'E-mail', 'Street', 'Town', 'Region', 'Postcode', 'Country, two letters']

/** The cart, where an order goes, how, and what it comes to. */
export function checkOut(app: FastifyInstance, frame: Frame): void {
  const { shop, carts, base } = frame
  const show = (request: FastifyRequest, reply: FastifyReply, title: string, main: string, status = 200) =>
    frame.show(request, reply, title, `<h2>${title}</h2>${main}`, status)
  const refused = (request: FastifyRequest, reply: FastifyReply, why: string) =>
    show(request, reply, 'Not possible', `<p id="refused">${esc(why)}</p>`, 422)

  app.get(`${base}cart`, (request, reply) => {
    const lines = carts.of(request)
    const rows = lines.map(
      ({ product, count }) =>
        `<tr data-sku="${esc(product.sku)}"><td>${esc([product.name, product.options].filter((part) => part !== '').join(', '))}</td><td>${count}</td><td>${frame.price(product)}</td></tr>`,
    )
    const goods = frame.money(goodsOf(shop, lines, shop.settings.country))
    const way = `<table id="cart">${rows.join('')}</table><p>Goods: <span id="goods">${goods}</span></p><p><a href="${base}checkout">Check out</a></p>`
    return show(request, reply, 'Your cart', lines.length === 0 ? '<p id="empty">It is empty.</p>' : way)
  })
  app.post(`${base}cart`, (request: Asked, reply) => {
    const { product, count = '1' } = request.body ?? {}
    const found = shop.products.find(({ id, state }) => String(id) === product && state === 'shown')
    const many = Number(count)
    if (!found || !(many >= 1)) return refused(request, reply, 'There is no such product.')
    if (found.stock < many) return refused(request, reply, 'There are not as many.')
    carts.put(request, reply, found, many)
    return reply.redirect(`${base}cart`, 303)
  })
  app.get(`${base}checkout`, (request, reply) => {
    const fields = keys.map((name, index) => ({
      name,
      label: labels[index] ?? '',
      value: carts.to(request)?.[name] ?? '',
    }))
    const way = form({ action: `${base}checkout`, token: '', id: 'to', button: 'Go on', fields })
    return show(request, reply, 'Where does it go?', way)
  })
  app.post(`${base}checkout`, (request: Asked, reply) => {
    const to = Object.fromEntries(keys.map((name) => [name, request.body?.[name] ?? ''])) as unknown as Recipient
    if (carts.of(request).length === 0) return refused(request, reply, 'The cart is empty.')
    if ([to.name, to.street, to.city].includes('') || !to.email.includes('@'))
      return refused(request, reply, 'Something is missing.')
    if (waysTo(shop, to.country).length === 0) return refused(request, reply, 'We do not ship to there.')
    carts.send(request, to)
    return reply.redirect(`${base}checkout/ways`, 303)
  })

  /** What an order comes to by one way. */
  const totalBy = (request: FastifyRequest, way: Shipping, country: string): number => {
    const lines = carts.of(request)
    const goods = goodsOf(shop, lines, country)
    return goods + shippingOf(shop, way, lines, goods) + (shop.faults.has('a cent off') ? 1 : 0)
  }
  const payments = (): [string, string][] => {
    const { cashOn, cashName, transferOn, transferName, pretendedOn } = shop.settings
    return [
      ...(cashOn ? [['cash', cashName] as [string, string]] : []),
      ...(transferOn ? [['transfer', transferName] as [string, string]] : []),
      ...(pretendedOn ? [['pretended', 'Nothing at all'] as [string, string]] : []),
    ]
  }
  app.get(`${base}checkout/ways`, (request, reply) => {
    const to = carts.to(request)
    if (!to) return reply.redirect(`${base}checkout`, 303)
    const radio = (name: string, value: string, text: string, data = '') =>
      `<label><input type="radio" name="${name}" value="${esc(value)}" ${data}> ${text}</label>`
    const ways = waysTo(shop, to.country).map((way) => {
      const total = totalBy(request, way, to.country)
      return radio(
        'shipping',
        String(way.id),
        `${esc(way.name)}: in all ${frame.money(total)}`,
        `data-name="${esc(way.name)}"`,
      )
    })
    const pay = payments().map(([by, name]) => radio('payment', by, esc(name)))
    const button = `<button>Order</button>`
    const way = `<form id="order" method="post" action="${base}checkout/order"><h3>How is it sent?</h3>${ways.join('')}<h3>How do you pay?</h3>${pay.join('')}${button}</form>`
    return show(request, reply, 'How?', way)
  })
  app.post(`${base}checkout/order`, (request: Asked, reply) => {
    const to = carts.to(request)
    const lines = carts.of(request)
    const way = to && waysTo(shop, to.country).find(({ id }) => String(id) === request.body?.shipping)
    const payment = payments().find(([by]) => by === request.body?.payment)
    if (!to || !way || !payment) return refused(request, reply, 'Something is missing.')
    if (lines.some(({ product, count }) => product.stock < count))
      return refused(request, reply, 'There are not as many.')
    const digits = digitsOf(shop)
    const total = (totalBy(request, way, to.country) / 10 ** digits).toFixed(digits)
    for (const { product, count } of lines) product.stock -= count
    const number = 10_001 + shop.orders.length
    shop.orders.push({
      ...{ id: shop.next++, number, state: 'placed', total, name: to.name, email: to.email, country: to.country },
      lines: lines.map(({ product, count }) => ({ product: product.id, name: product.name, count })),
      ...{ shipping: way.name, payment: payment[0] },
    })
    carts.empty(request)
    const parts = Math.round(Number(total) * 10 ** digits)
    return show(
      request,
      reply,
      'Thank you',
      `<p id="thanks" data-number="${number}">Your order ${number} has come in. In all: <span class="total">${frame.money(parts)}</span></p>`,
    )
  })
}

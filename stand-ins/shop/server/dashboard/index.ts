import type { FastifyInstance } from 'fastify'
import { Office } from '../../../common/server/office.js'
import type { Sessions } from '../../../common/server/sessions.js'
import { page } from '../html.js'
import type { Shop } from '../model.js'
import { goods } from './goods.js'
import { people } from './people.js'
import { selling } from './selling.js'
import { settings } from './settings.js'
import { texts } from './texts.js'

const rooms = 'settings store payment taxes shipping categories products orders pages front menu uploads profile'.split(
  ' ',
)

/** The screens of whoever keeps the shop: lists, forms with one-time tokens, and nothing else. */
export function dashboard(app: FastifyInstance, shop: Shop, sessions: Sessions, base: string): void {
  const office = new Office(app, sessions, base, rooms, page)
  people(office, shop)
  office.get('', (_request, reply) => {
    const { products, orders, since } = shop
    const counts = `${products.length} products, ${orders.length} orders so far; open since the day it was set up.`
    return office.screen(reply, 'start', `<p id="since" data-since="${since}">${counts}</p>`)
  })
  settings(office, shop)
  selling(office, shop)
  goods(office, shop)
  texts(office, shop)
}

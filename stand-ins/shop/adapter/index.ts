import { load } from 'cheerio'
import type { System } from 'unpack'
import { sinceOf, sinceShown } from '../../common/adapter/since.js'
import { screensOf, trouble } from '../../common/adapter/screens.js'
import { logIn, StandInSession } from '../../common/adapter/session.js'
import { categories } from './areas/categories.js'
import { frontPage } from './areas/frontPage.js'
import { media } from './areas/media.js'
import { menus } from './areas/menus.js'
import { orders } from './areas/orders.js'
import { owner } from './areas/owner.js'
import { pages } from './areas/pages.js'
import { payment } from './areas/payment.js'
import { products } from './areas/products.js'
import { shipping } from './areas/shipping.js'
import { site } from './areas/site.js'
import { store } from './areas/store.js'
import { taxes } from './areas/taxes.js'
import { fields } from './fields.js'
import { recognise } from './recognise.js'
import { isShippedText } from './shipped.js'

const screens = screensOf(
  'settings store payment taxes shipping categories products orders pages front menu uploads profile'.split(' '),
)

/** The adapter of the stand-in shop, written against Unpack's public face like any adapter from outside. */
export const standInShopSystem: System<StandInSession> = {
  id: 'stand-in-shop',
  name: 'Stand-in shop',
  kind: 'shop',
  password: { length: 22, characters: 'ABCDEFGHJKLMNPQRSTUVWXYZabcdefghijkmnopqrstuvwxyz23456789-_' },
  firstRunNeeds: ['owner.email'],
  firstRunAsks: ['store'],
  areas: {
    categories,
    frontPage,
    media,
    menus,
    orders,
    owner,
    pages,
    payment,
    products,
    shipping,
    site,
    store,
    taxes,
  },
  imprint: async (session) => [await sinceOf(session)],
  shows: sinceShown,
  screens,
  recognise,
  async signIn(visitor, login) {
    return (await logIn(visitor, login)) ? new StandInSession(visitor, login, fields) : undefined
  },
  trouble,
  showsShippedText(html) {
    const $ = load(html)
    return $('main .text')
      .toArray()
      .some((element) => isShippedText($(element).html() ?? ''))
  },
}

import { provenIn } from '../lines.js'
import type { System } from '../system.js'
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
import { recognise } from './recognise.js'
import { screens, trouble } from './screens.js'
import { EverShopSession } from './session.js'
import { shopOf } from './shop.js'
import { COOKIE, enter } from './sign-in.js'

const TRIED = ['2.2']

/** EverShop, driven by its interface as the dashboard itself drives it. Proven with 2.2. */
export const evershop: System<EverShopSession> = {
  id: 'evershop',
  name: 'EverShop',
  kind: 'shop',
  password: { length: 24, characters: 'ABCDEFGHJKLMNPQRSTUVWXYZabcdefghijkmnopqrstuvwxyz23456789!#%*+=?_' },
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
  lacks: {
    theme: 'themes are files on the server of this system, which Unpack does not reach',
    addOns: 'add-ons are files on the server of this system, which Unpack does not reach',
    mail: 'mail is set up on the server of this system',
    signUp: 'whether customers may make accounts is not to be set on this system',
  },
  imprint: async (session) => [(await shopOf(session)).currentAdminUser.uuid],
  async version(session) {
    const { version } = await shopOf(session)
    return { version, ...provenIn(version, TRIED) }
  },
  screens,
  recognise,
  async signIn(visitor, login) {
    return (await enter(visitor, login)) ? new EverShopSession(visitor, login) : undefined
  },
  async resume(visitor, { session: kept, ...login }) {
    await visitor.bring(COOKIE, kept.reveal())
    const isOpen = (await visitor.get('admin', { follow: false })).status === 200
    return isOpen ? new EverShopSession(visitor, login) : undefined
  },
  trouble,
}

import { VERSION } from '../../common/server/version.js'
import { languages, type Shop } from './model.js'

export const samples = {
  categories: [
    { name: 'Odds', slug: 'odds', description: 'A shelf that came with the shop, to show where one would stand.' },
    { name: 'Ends', slug: 'ends', description: 'Another shelf that came with the shop; take it away when you like.' },
  ],
  products: [
    {
      ...{ name: 'A sample mug', slug: 'a-sample-mug', sku: 'SAMPLE-1', price: '9.00' },
      body: '<p>This mug came with the shop. Nobody has one to sell: it only shows what a product looks like.</p>',
    },
    {
      ...{ name: 'A sample bag', slug: 'a-sample-bag', sku: 'SAMPLE-2', price: '12.00' },
      body: '<p>This bag came with the shop, beside the mug, so that a list has more than one line.</p>',
    },
  ],
}
export const frontText = '<p>This shop has just been set up. Its owner will say here what there is to buy.</p>'

export interface Answers {
  username: string
  email: string
  password: string
  title: string
  language: string
  country: string
  currency: string
  trade: string[]
  goods: string[]
  size: number
  extras: string[]
}

/** What the set-up does: an owner, answers to its questions, and everything that ships. */
export function setUp(shop: Shop, answers: Answers, now = new Date()): void {
  const at = now.toISOString()
  const stamp = { made: at, edited: at }
  const { username, email, password, title, language, country, currency, trade, goods, size, extras } = answers
  shop.standing = 'set up'
  shop.since = at
  Object.assign(shop.settings, {
    ...{ title, country, currency, trade, goods, size, extras, email, frontText },
    language: (languages as readonly string[]).includes(language) ? language : 'en',
  })
  shop.accounts.push({ id: 1, username, email, password, first: '', last: '', shown: username, made: at })
  shop.categories.push(
    ...samples.categories.map((one, index) => ({
      ...one,
      ...stamp,
      id: index + 1,
      parent: 0,
      order: index + 1,
      picture: 0,
    })),
  )
  shop.products.push(
    ...samples.products.map((one, index) => ({
      ...{ ...one, ...stamp, id: index + 1, options: '', sale: '', tax: 0, stock: 10, weight: '', pictures: [] },
      ...{ categories: [index + 1], state: 'shown' as const },
    })),
  )
  if (shop.version !== VERSION) shipLater(shop)
  shop.shipping.push({ ...stamp, id: 1, name: 'Standard', price: '5.00', freeFrom: '', countries: [], weights: [] })
}

/** What a later version ships: another text, and one product more. */
function shipLater(shop: Shop): void {
  const [mug] = shop.products
  if (!mug) return
  mug.body = '<p>This mug is how shops greet people these days.</p>'
  shop.products.push({
    ...{ ...mug, id: 3, name: 'A sample hat', slug: 'a-sample-hat', sku: 'SAMPLE-3' },
    body: '<p>Later versions come with a hat.</p>',
  })
}

/** Somebody at work on it: a product that neither shipped nor stands in any baseline, and an order. */
export function inUse(shop: Shop): void {
  const at = '2026-03-05T14:07:00.000Z'
  const product = shop.next++
  shop.products.push({
    ...{
      id: product,
      name: 'Periwinkle’s spare oar',
      slug: 'spare-oar',
      sku: 'BOAT-1',
      price: '30.00',
      options: '',
      sale: '',
      tax: 0,
    },
    ...{ stock: 1, weight: '', categories: [1], pictures: [], body: '<p>She leaks, but she can be rowed.</p>' },
    ...{ state: 'shown', made: at, edited: at },
  })
  shop.orders.push({
    ...{ id: shop.next++, number: 10_001, state: 'placed', lines: [{ product, name: 'Spare oar', count: 1 }] },
    ...{
      total: '30.00',
      name: 'Somebody',
      email: 'somebody@quay.example',
      country: 'GB',
      shipping: 'Standard',
      payment: 'cash',
    },
  })
}

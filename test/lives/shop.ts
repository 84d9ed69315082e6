import { standInShopSystem } from '../../stand-ins/shop/adapter/index.js'
import { standInShop } from '../../stand-ins/shop/server/index.js'
import { pathOf, type Category } from '../../stand-ins/shop/server/model.js'
import { body, menuThing, newMenu, other, text, things } from './hands.js'
import { PlanFile } from './plan-file.js'
import { bodies, now, paragraph, textOf } from './values.js'
import type { Edit, Site, Thing } from './site.js'

const CURRENCY = 'GBP'
/** A price that nobody plans. */
const price: Edit = (_thing, _word, number) => `${number}.07`

/** A stand-in shop that waits for its set-up. */
export function shopSite(): Site {
  const running = standInShop()
  const { shop } = running
  const stamp = () => ({ id: shop.next++, made: now(), edited: now() })
  const menu = menuThing(
    'main',
    () => shop.menu,
    (entries) => (shop.menu = entries as typeof shop.menu),
  )
  return {
    running,
    system: standInShopSystem,
    isThere: () => shop.standing === 'set up',
    logins: [],
    always: ['site', 'store', 'categories/beans'],
    plannable: [
      {
        ref: 'site',
        values: { title: ['Tidepool', 'Tidepools'], description: [undefined, 'Low water', 'High water'] },
      },
      { ref: 'store', values: { phone: [undefined, '+44 20 7946 0123', '+44 20 7946 0124'] } },
      { ref: 'taxes/VAT', values: { rate: ['20', '19'] } },
      { ref: 'shipping/Van', values: { price: ['3.50', '3.75'], freeFrom: [undefined, '40.00', '50.00'] } },
      { ref: 'categories/beans', values: { name: ['Beans', 'Peas'], description: [undefined, 'Green', 'Greener'] } },
      { ref: 'categories/tools', values: { name: ['Tools', 'Spades'] } },
      {
        ref: 'products/B-1',
        values: {
          ...{ name: ['Broad bean', 'Long bean'], price: ['2.40', '2.60'], salePrice: [undefined, '1.90'] },
          ...{ stock: [undefined, 5, 9], text: bodies, categories: [['beans']] },
        },
      },
      {
        ref: 'products/T-1',
        values: {
          name: ['Trowel', 'Fork'],
          price: ['9.00', '9.50'],
          categories: [['beans']],
          state: [undefined, 'hidden'],
        },
      },
      { ref: 'pages/about', values: { title: ['About', 'Of us'], body: bodies } },
    ],
    baseline(address, plan, isShippedRemoved) {
      const file = new PlanFile(plan)
      const taxes = file.list('taxes', (_ref, name) => ({ name, country: 'GB' }))
      const shipping = file.list('shipping', (_ref, name) => ({ name, countries: ['GB'] }))
      return file.baseline({
        site: { address, title: 'Tidepool', ...file.values('site') },
        owner: { username: 'marlow', email: 'marlow@quay.example' },
        ...(isShippedRemoved && { shipped: 'remove' }),
        store: {
          ...{ currency: CURRENCY, ...file.values('store') },
          ...(taxes.length > 0 && { taxes }),
          ...(shipping.length > 0 && { shipping, shipsTo: ['GB'] }),
        },
        categories: file.list('categories', (_ref, slug) => ({ slug })),
        products: file.list('products', (_ref, sku) => ({ sku, slug: sku.toLowerCase() })),
        pages: file.list('pages', (_ref, slug) => ({ slug })),
      })
    },
    rooms: () => ({
      ...{ categories: things(shop.categories), products: things(shop.products), pages: things(shop.pages) },
      ...{ taxes: things(shop.taxes), shipping: things(shop.shipping), uploads: things(shop.uploads) },
      ...{ orders: things(shop.orders), menus: [menu] },
    }),
    settings: () => shop.settings as unknown as Thing,
    refOf(room, thing, field = '') {
      if (room === 'settings') return /^(title|description|language|timezone)$/.test(field) ? 'site' : 'store'
      if (room === 'categories') return `categories/${pathOf(shop, thing as unknown as Category)}`
      if (room === 'products') return `products/${textOf(thing.sku)}`
      return `${room}/${textOf(thing.slug ?? thing.name ?? thing.id)}`
    },
    expects(_ref, { name, title, body, text: words = body, description, price, salePrice, phone, freeFrom, rate }) {
      return {
        ...(name !== undefined && { name }),
        ...(title !== undefined && { title }),
        ...(words !== undefined && { body: paragraph(words) }),
        ...(description !== undefined && { description }),
        ...(price !== undefined && { price }),
        ...(salePrice !== undefined && { sale: salePrice }),
        ...(phone !== undefined && { phone }),
        ...(freeFrom !== undefined && { freeFrom }),
        ...(rate !== undefined && { rates: [`GB ${textOf(rate)}`] }),
      }
    },
    audience: (room, { state }) =>
      (room === 'products' && state === 'shown') || (room === 'pages' && state === 'published')
        ? ['read everyone']
        : [],
    plannedAudience(plan, ref) {
      const values = plan.get(ref)
      return values && (values.state === 'hidden' ? [] : ['read everyone'])
    },
    standing: () => [],
    plannedStanding: () => [],
    forbids(before, after, isUnread) {
      // what the plan counts in its own currency waits for that
      if (shop.settings.currency === CURRENCY || isUnread('settings/site', 'currency')) return []
      return [...after].flatMap(([key, fields]) =>
        ['price', 'sale', 'freeFrom']
          .filter((field) => /^(products|shipping)/.test(key) && fields.get(field) !== before.get(key)?.get(field))
          .filter((field) => fields.get(field) !== '""')
          .map((field) => `${key}#${field} is ${fields.get(field) ?? ''} in ${shop.settings.currency}`),
      )
    },
    isTrace: (change) => change.startsWith('orders/'),
    edits: {
      categories: { name: text, description: text },
      products: {
        ...{ name: text, price, body, state: other('state', 'hidden', 'shown') },
        stock: (_thing, _word, number) => 100 + number,
      },
      pages: { title: text, body, state: other('state', 'draft', 'published') },
      shipping: { price },
      settings: {
        ...{ title: text, description: text, phone: text, city: text },
        currency: other('currency', CURRENCY, 'JPY'),
      },
      menus: { entries: newMenu },
    },
    adds: {
      categories: (name, word) => ({
        ...{ ...stamp(), name: word, slug: name, description: word, parent: 0, order: 9, picture: 0 },
      }),
      products: (name, word) => ({
        ...{
          ...stamp(),
          name: word,
          slug: name.toLowerCase(),
          sku: name,
          options: '',
          price: '4.00',
          sale: '',
          tax: 0,
        },
        ...{ stock: 3, weight: '', categories: [], pictures: [], body: paragraph(word), state: 'shown' },
      }),
      pages: (name, word) => ({ ...stamp(), title: word, slug: name, body: paragraph(word), state: 'published' }),
      shipping: (name, word) => ({
        ...{ ...stamp(), name, price: '8.00', freeFrom: '', countries: ['IE'], weights: [] },
        ...(name === word && { name: word }),
      }),
      orders: (_name, word) => ({
        ...{
          id: shop.next++,
          number: 90_000 + shop.next,
          state: 'placed',
          lines: [],
          total: '2.40',
          name: `Private ${word}`,
        },
        ...{ email: `private-${word}@sea.example`, country: 'GB', shipping: 'Van', payment: 'cash' },
      }),
    },
    removed(room, thing) {
      if (room !== 'categories') return
      for (const one of shop.categories) if (one.parent === thing.id) one.parent = 0
      for (const one of shop.products) one.categories = one.categories.filter((id) => id !== thing.id)
    },
  }
}

import { settle, type System } from 'unpack'
import { standInShopSystem } from '../../stand-ins/shop/adapter/index.js'
import { standInShop, type StandInShop } from '../../stand-ins/shop/server/index.js'
import { pathOf } from '../../stand-ins/shop/server/model.js'
import { seedBaseline } from '../help/seeds.js'
import { ownFolders } from '../help/sites.js'
import { behindTrouble, CALM, PATIENCE, repeated, type World } from './world.js'

const at = '2027-03-05T14:07:00.000Z'

/** What the owner has made of a settled shop since, and an order that came in; somebody has taken a SKU and a slug of the next plan. */
function lived({ shop }: StandInShop): (() => string | undefined)[] {
  const product = (name: string, slug: string, sku: string) => {
    shop.products.push({
      ...{
        id: shop.next++,
        name,
        slug,
        sku,
        price: '4.00',
        options: '',
        sale: '',
        tax: 0,
        stock: 3,
        weight: '',
        pictures: [],
      },
      ...{ categories: [], body: `<p>${name}, ours.</p>`, state: 'shown', made: at, edited: at },
    })
  }
  product('Nets', 'nets', 'NET-1')
  product('Samphire of our own', 'our-samphire', 'SQ-0009')
  const shelf = { id: shop.next++, name: 'Boats', slug: 'boats', description: '', parent: 0, order: 9, picture: 0 }
  shop.categories.push({ ...shelf, made: at, edited: at })
  const bean = shop.products.find(({ sku }) => sku === 'SQ-0001')
  if (bean) Object.assign(bean, { price: '2.95', stock: 7, edited: at })
  shop.orders.push({
    ...{
      id: shop.next++,
      number: 90_001,
      state: 'placed',
      lines: [],
      total: '2.95',
      name: 'Gwen',
      email: 'gwen@tide.example',
    },
    ...{ country: 'GB', shipping: 'Royal-blue van', payment: 'cash' },
  })
  const has = (what: string, there: () => boolean) => () => (there() ? undefined : what)
  const stands = (sku: string, name: string) => () =>
    shop.products.some((one) => one.sku === sku && one.name === name && one.price === '4.00')
  return [
    has('a product', stands('NET-1', 'Nets')),
    has('a product under a planned SKU', stands('SQ-0009', 'Samphire of our own')),
    has('a category', () => shop.categories.some(({ slug }) => slug === 'boats')),
    has('a price of the owner’s', () => bean?.price === '2.95'),
    has('the stock', () => bean?.stock === 7),
    has('an order', () => shop.orders.some(({ number, state }) => number === 90_001 && state === 'placed')),
  ]
}

/** The next plan: other sums, and products whose SKU and slug somebody has taken. */
const changed = (text: string): string =>
  text.replace('price: "3.50"', 'price: "3.75"').replace('Seeds that like salt wind', 'Seeds')
const more = (table: string): string =>
  `${table.replace(',1.90,', ',1.95,')}SQ-0009,Samphire,samphire,vegetables,2.00,,,9,0.02,,"Salt, and more salt.",,,\nSQ-0011,Nettle,nettle,vegetables,1.00,,,9,0.02,,,,,\n`

/** The seed library on a stand-in, settled and lived in or waiting for its set-up. */
export async function shopWorld(root: string, isLived: boolean): Promise<World> {
  const site = standInShop()
  const place = await behindTrouble(site)
  const { address } = place
  const folders = await ownFolders(root)
  const options = { systems: [standInShopSystem as System], ...folders, patience: PATIENCE, confirm: false }
  const { shop } = site
  let kept: (() => string | undefined)[] = []
  if (isLived) {
    await settle(seedBaseline(address), { ...options, ...CALM })
    kept = lived(site)
  }
  const sorted = <T>(all: readonly T[], by: (one: T) => string) => all.toSorted((a, b) => by(a).localeCompare(by(b)))
  const fileOf = (number: number) => shop.uploads.find(({ id }) => id === number)?.name
  const shelfOf = (number: number) => shop.categories.find(({ id }) => id === number)?.slug
  return {
    name: isLived ? 'shop in use' : 'shop',
    ...place,
    system: standInShopSystem,
    options: { ...options, inUse: isLived },
    plan: seedBaseline(address, isLived ? changed : undefined, isLived ? more : undefined),
    state: () => ({
      settings: { ...shop.settings, icon: fileOf(shop.settings.icon), logo: fileOf(shop.settings.logo) },
      categories: sorted(shop.categories, (one) => pathOf(shop, one)).map((one) => ({
        ...{ path: pathOf(shop, one), name: one.name, description: one.description, order: one.order },
        picture: fileOf(one.picture),
      })),
      products: sorted(shop.products, ({ sku }) => sku).map(
        ({ sku, name, slug, options, price, sale, stock, body, state, ...one }) => ({
          ...{ sku, name, slug, options, price, sale, stock, body, state, weight: one.weight },
          tax: shop.taxes.find(({ id }) => id === one.tax)?.name,
          categories: one.categories.map(shelfOf).sort(),
          pictures: one.pictures.map(fileOf),
        }),
      ),
      taxes: sorted(shop.taxes, ({ name }) => name).map(({ name, rates }) => ({ name, rates: rates.toSorted() })),
      shipping: sorted(shop.shipping, ({ name }) => name).map(({ name, price, freeFrom, countries, weights }) => ({
        ...{ name, price, freeFrom, countries, weights },
      })),
      pages: shop.pages.map(({ title, slug, body, state }) => ({ title, slug, body, state })),
      uploads: sorted(shop.uploads, ({ name }) => name).map(({ name }) => name),
      orders: shop.orders.map(({ number, state }) => ({ number, state })),
      menu: shop.menu.map(({ kind, label }) => ({ kind, label })),
      accounts: shop.accounts.map(({ username, email }) => ({ username, email })),
    }),
    lost: () => kept.flatMap((one) => one() ?? []),
    twice: () => [
      ...repeated(shop.products.map(({ sku }) => sku)),
      ...repeated(shop.products.map(({ slug, options }) => `${slug} ${options}`)),
      ...repeated(shop.categories.map((one) => pathOf(shop, one))),
      ...repeated(shop.shipping.map(({ name }) => name)),
      ...repeated(shop.taxes.map(({ name }) => name)),
      ...repeated(shop.uploads.map(({ name }) => name)),
    ],
    // a shop has nothing that some may see and others not
    letIn: () => [],
  }
}

/* What the stand-in shop keeps, in memory only. Sums are texts, as they were entered. */

interface Made {
  id: number
  made: string
  edited: string
}
export interface Category extends Made {
  name: string
  slug: string
  description: string
  parent: number
  order: number
  /** The number of an upload; 0 for none. */
  picture: number
}
export interface Product extends Made {
  name: string
  slug: string
  sku: string
  /** Which one it is of several under one slug: `size: S; colour: green`; '' for one that comes as it is. */
  options: string
  price: string
  /** What it costs for now; '' for the usual price. */
  sale: string
  /** The number of a tax; 0 for none. */
  tax: number
  stock: number
  weight: string
  categories: number[]
  pictures: number[]
  body: string
  state: 'shown' | 'hidden'
}
export interface Page extends Made {
  title: string
  slug: string
  body: string
  state: 'published' | 'draft'
}
export interface Tax {
  id: number
  name: string
  /** `GB 20`, a line a country. */
  rates: string[]
}
export interface Shipping extends Made {
  name: string
  price: string
  freeFrom: string
  countries: string[]
  /** `2 6.00`: from a weight on. */
  weights: string[]
}
export interface Upload {
  id: number
  name: string
  type: string
  bytes: Buffer
  made: string
}
export interface Order {
  id: number
  number: number
  state: 'placed' | 'cancelled'
  lines: { product: number; name: string; count: number }[]
  total: string
  name: string
  email: string
  country: string
  shipping: string
  payment: string
}
export interface MenuEntry {
  kind: 'page' | 'category' | 'link'
  /** The number of a page or category, or an address. */
  to: string
  label: string
}
export interface Settings {
  title: string
  description: string
  language: string
  timezone: string
  searchEngines: boolean
  /** Numbers of uploads; 0 for none. */
  icon: number
  logo: number
  frontText: string
  street: string
  city: string
  region: string
  postcode: string
  country: string
  email: string
  phone: string
  trade: string[]
  goods: string[]
  size: number
  currency: string
  prices: 'include tax' | 'before tax'
  weightUnit: string
  lengthUnit: string
  shipsTo: string[]
  extras: string[]
  cashOn: boolean
  cashName: string
  transferOn: boolean
  transferName: string
  /** A payment that pays nothing, for looking around. */
  pretendedOn: boolean
}
export interface Account {
  id: number
  username: string
  first: string
  last: string
  shown: string
  email: string
  password: string
  made: string
}
/** What a test may have it do wrong. */
export type ShopFault =
  | 'a cent off'
  | 'stock back twice'
  | 'ships anywhere'
  | 'taken keys break it'
  | 'forgets what is not sent'
  | 'takes what stands below along'

export interface Shop {
  standing: 'first-run' | 'set up'
  version: string
  since: string
  settings: Settings
  categories: Category[]
  products: Product[]
  pages: Page[]
  taxes: Tax[]
  shipping: Shipping[]
  uploads: Upload[]
  orders: Order[]
  accounts: Account[]
  menu: MenuEntry[]
  faults: Set<ShopFault>
  /** The next number that anything gets. */
  next: number
}

export const languages = ['en', 'de', 'fr', 'cy'] as const
export const extras = ['newsletter by us', 'paid listing'] as const

/** A shop that waits for its set-up. */
export const emptyShop = (version: string): Shop => ({
  standing: 'first-run',
  version,
  since: '',
  settings: {
    ...{ title: '', description: '', language: 'en', timezone: 'UTC', searchEngines: true, icon: 0, logo: 0 },
    ...{ frontText: '', street: '', city: '', region: '', postcode: '', country: '', email: '', phone: '' },
    ...{ trade: [], goods: [], size: 0, currency: 'USD', prices: 'include tax', weightUnit: 'kg', lengthUnit: 'cm' },
    ...{ shipsTo: [], extras: [], cashOn: false, cashName: 'Cash', transferOn: false, transferName: 'Transfer' },
    pretendedOn: false,
  },
  ...{ categories: [], products: [], pages: [], taxes: [], shipping: [], uploads: [], orders: [], accounts: [] },
  menu: [],
  faults: new Set(),
  next: 100,
})

/** A category's place among the others: slugs from the top one down to it. */
export function pathOf(shop: Shop, category: Category): string {
  const above = shop.categories.find(({ id }) => id === category.parent)
  return above ? `${pathOf(shop, above)}/${category.slug}` : category.slug
}

/** Categories below one, or at the top, in their order. */
export const below = ({ categories }: Shop, parent: number): Category[] =>
  categories.filter((one) => one.parent === parent).sort((a, b) => a.order - b.order || a.id - b.id)

const partsOf = ({ options }: Product): string[] => (options === '' ? [] : options.split('; '))

/** What there is to choose instead of a variant: each `size: S` once, with the one that differs least. */
export function choicesOf(ones: readonly Product[], now: Product): { part: string; sku: string; isChosen: boolean }[] {
  const own = partsOf(now)
  return [...new Set(ones.flatMap(partsOf))].map((part) => {
    const [best = now] = ones.filter((one) => partsOf(one).includes(part)).sort((a, b) => alike(b) - alike(a))
    return { part, sku: best.sku, isChosen: own.includes(part) }
  })
  function alike(one: Product): number {
    return partsOf(one).filter((part) => own.includes(part)).length
  }
}

/** Whether something else stands at an address at the top. */
export function isTaken(shop: Shop, slug: string, own: object | undefined): boolean {
  const all: readonly { slug: string; parent?: number }[] = [...shop.categories, ...shop.products, ...shop.pages]
  return all.some((one) => one.slug === slug && one !== own && (one.parent ?? 0) === 0)
}

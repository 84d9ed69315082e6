import type { AsPlanned } from '../area.js'
import type { ProductItem } from '../areas/products.js'
import type { Baseline } from '../baseline/schema.js'
import type { Expectation } from '../looking.js'
import { refOf } from '../ref.js'
import { textBlocks } from '../text/plain.js'
import { textOf } from '../value.js'

/** What a product's page shows: its name, what it costs, and its text. */
export interface ProductPageLook {
  look: 'product'
  title: string
  /** A decimal, as it is planned or was kept. */
  price: string
  currency?: string
  texts: readonly string[]
  /** What has to be to choose there, by the options' names. */
  choices?: Readonly<Record<string, string>>
}
/** What a category's page lists, on all of its pages; or must not list. */
export interface ListedLook {
  look: 'listed'
  names: readonly string[]
  listed: boolean
}
/** What the site's own search finds. */
export interface SearchLook {
  look: 'search'
  words: string
  finds: string
}
/** The looks that products have for themselves. */
export type ProductLook = ProductPageLook | ListedLook | SearchLook

/** Products whose pages are looked at, one by one, at the most. */
const MOST = 200

/** What visitors should see of products. */
export function productLooks(
  items: readonly ProductItem[],
  baseline: Baseline,
  { categories = [], store = [] }: AsPlanned,
): Expectation<ProductLook>[] {
  const currency = textOf(store[0]?.currency) || baseline.store?.currency
  const shown = items.filter(({ state }) => state !== 'hidden')
  const sample = spread(shown, MOST)
  const called = new Map(
    categories.map(({ slug, name }) => [refOf('categories', textOf(slug)) as string, textOf(name)]),
  )
  return [
    ...sample.flatMap((item) => pageOf(item, currency)),
    // what is sold out, shops leave out of their lists
    ...byCategory(sample.filter(isThere), called, true),
    ...byCategory(
      // a product is listed as long as one of its variants is shown
      items.filter(({ state, slug }) => state === 'hidden' && !shown.some((one) => one.slug === slug)),
      called,
      false,
    ),
    ...sample.filter(isThere).slice(0, 1).map(searchFor),
    ...beyond(sample.length, shown.length),
    ...asked(items, baseline),
  ]
}

const isThere = ({ stock }: ProductItem): boolean => stock !== 0

/** So many of a list at the most, evenly from all of it. */
export const spread = <T>(all: readonly T[], most: number): T[] =>
  all.length <= most
    ? [...all]
    : Array.from({ length: most }, (_, at) => all[Math.floor((at * all.length) / most)] as T)

/** A product by its name; a variant with what is chosen. */
export const calledOf = ({ name, options = {} }: ProductItem): string =>
  [`the product “${name}”`, ...Object.values(options)].join(', ')

function pageOf(item: ProductItem, currency: string | undefined): Expectation<ProductLook>[] {
  const price = textOf(item.salePrice) || textOf(item.price)
  if (price === '') return []
  return [
    {
      name: `${calledOf(item)} shows its name and its price`,
      at: { ref: refOf('products', item.sku) },
      look: 'product',
      title: item.name,
      price,
      currency,
      texts: textBlocks(item.description ?? ''),
      choices: item.options,
    },
  ]
}

function byCategory(
  items: readonly ProductItem[],
  called: ReadonlyMap<string, string>,
  listed: boolean,
): Expectation<ProductLook>[] {
  return [...called].flatMap(([ref, name]): Expectation<ProductLook>[] => {
    const names = [...new Set(items.filter(({ categories = [] }) => categories.includes(ref)).map((item) => item.name))]
    const what = listed ? 'lists its products' : 'does not list what is hidden'
    return names.length === 0
      ? []
      : [
          {
            name: `the category “${name}” ${what}`,
            at: { ref: ref },
            look: 'listed',
            names,
            listed,
          },
        ]
  })
}

function searchFor({ name }: ProductItem): Expectation<ProductLook> {
  // its words, without what stands around them: a search is no place for quotes
  const words = (name.match(/[\p{L}\p{N}]+/gu) ?? []).join(' ')
  return {
    name: `a search for “${words}” finds the product “${name}”`,
    at: 'front',
    look: 'search',
    words,
    finds: name,
  }
}

function beyond(looked: number, all: number): Expectation<ProductLook>[] {
  return looked === all
    ? []
    : [
        {
          name: `the pages of ${all - looked} more products`,
          at: 'front',
          look: 'beyond',
          why: `of ${all} products, ${looked} from all over the list were looked at one by one; all were compared`,
        },
      ]
}

/** What the file asks for itself. */
function asked(items: readonly ProductItem[], { checks }: Baseline): Expectation<ProductLook>[] {
  return checks.flatMap((check): Expectation<ProductLook>[] => {
    if (!('product' in check)) return []
    const item = items.find(({ sku }) => sku === check.product)
    const ref = refOf('products', check.product)
    const name = item ? calledOf(item) : ref
    return [{ name: `${name} shows “${check.shows}”`, at: { ref }, look: 'shows', texts: [check.shows] }]
  })
}

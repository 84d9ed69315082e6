import type { CheerioAPI } from 'cheerio'
import type { ProductItem } from '../../../core/areas/products.js'
import { digitsNeeded } from '../../../core/money/decimal.js'
import { refOf } from '../../../core/ref.js'
import { textOf } from '../../../core/value.js'
import { listedAt, productAt } from '../../../looks/product.js'
import { searchAt } from '../../../looks/search.js'
import type { AreaOnSystem } from '../../area-on-system.js'
import { addressOf, bodyOf, idOf } from '../../later.js'
import { Step } from '../../step.js'
import { htmlOfRows, tooLong } from '../blocks.js'
import { items, type ItemFields } from '../carriers/items.js'
import { filesOf } from '../files.js'
import { productsOf } from '../goods.js'
import type { EverShopSession } from '../session.js'
import { shopOf } from '../shop.js'
import { decimalOf, foreign, numberOf, tagged } from '../wire.js'

const sort = 'products'
const namesOn = ($: CheerioAPI): string[] =>
  $('.product__list__item .product__list__name')
    .toArray()
    .map((one) => $(one).text())

export const products: AreaOnSystem<'products', EverShopSession> = {
  can: { salePrice: { never: 'this system takes a price for now, and ignores it' } },
  keys: [
    ...(['name', 'slug', 'sku', 'price', 'tax', 'stock', 'weight', 'categories', 'pictures', 'description'] as const),
    'state',
  ],
  atMost: { categories: 1 },
  takes(key, value) {
    if (key === 'slug') return foreign(value)
    if (key === 'name') return tagged(value)
    if (key === 'description') return tooLong(value)
    if (key === 'price' && digitsNeeded(textOf(value)) > 2)
      return 'prices have two digits behind the point at the most on this system'
    return undefined
  },
  async read(session) {
    const [found, shop, files] = await Promise.all([productsOf(session), shopOf(session), filesOf(session)])
    const slugs = new Map(shop.categories.items.map(({ categoryId, urlKey }) => [categoryId, urlKey ?? '']))
    const taxes = new Map(shop.taxClasses.items.map(({ taxClassId, name }) => [taxClassId, name]))
    const named = new Map(files.map(({ url, name }) => [url, refOf('media', name.replace(/\.[^.]*$/, ''))]))
    return found.map((one) => {
      const { category, taxClass, image, gallery, price, inventory, weight } = one
      const slug = category ? slugs.get(category.categoryId) : undefined
      const tax = taxClass ? taxes.get(taxClass) : undefined
      const isShown = one.status === 1 && one.visibility !== 0
      const item: ProductItem = {
        ...{ name: one.name, slug: one.urlKey ?? '', sku: one.sku, price: decimalOf(price.regular.value) },
        ...{ tax: tax === undefined ? '' : refOf('taxes', tax), stock: inventory.qty, weight: weight.value },
        categories: slug === undefined ? [] : [refOf('categories', slug)],
        pictures: [image, ...(gallery ?? [])].flatMap((picture) => named.get(picture?.origin ?? '') ?? []),
        description: htmlOfRows(one.description),
        state: isShown ? 'shown' : 'hidden',
      }
      const address = new URL(one.url ?? '', session.visitor.home).href
      return { id: one.productId, item, marks: { ...nobodys, hidden: !isShown }, address, copy: item }
    })
  },
  translate: (differences) =>
    differences.map((difference) => {
      const proves = [difference]
      const { ref } = difference
      if (difference.is === 'left over') return Step.of(items, { sort, id: idOf(ref), remove: true }, { proves })
      const id = difference.is === 'different' ? { id: idOf(difference.found.ref) } : {}
      const changed = (key: keyof ProductItem) => difference.is === 'missing' || difference.fields.includes(key)
      const fresh = difference.is === 'missing' ? needed : {}
      const { fields, text } = fieldsOf(difference.wanted, changed)
      // a currency stands before anything is priced in it
      const load = { sort, ...id, fields: { ...fresh, ...fields }, text } as const
      return Step.of(items, load, { proves, gives: ref, after: ['store'] })
    }),
  again({ ref, item }) {
    const { fields, text } = fieldsOf(item, () => true)
    return Step.of(items, { sort, fields: { ...needed, ...fields }, text }, { proves: [], gives: ref })
  },
  looks: {
    product: productAt(($) => {
      const price = $('.product__single__price')
      return price.length === 0 ? undefined : price.first().text()
    }),
    listed: listedAt(namesOn, nextOf),
    search: searchAt((word) => `/search?keyword=${encodeURIComponent(word)}`, namesOn),
  },
}

/** Lists go on by a button; its page is asked for by number. */
function nextOf($: CheerioAPI, url: string): string | undefined {
  const button = $('[aria-label="Go to next page"]')
  if (button.length === 0 || button.attr('aria-disabled') === 'true') return undefined
  const next = new URL(url)
  next.searchParams.set('page', String(Number(next.searchParams.get('page') ?? '1') + 1))
  return next.href
}

/** Nothing of this kind ships. */
const nobodys = { place: false, untouched: false, known: false }

/** What the system wants of every product that is made: that its stock is counted, and that it weighs something or nothing. */
const needed = { manage_stock: 1, stock_availability: 1, qty: 0, weight: 0, meta_keywords: '' } as const

function fieldsOf(
  item: ProductItem,
  changed: (key: keyof ProductItem) => boolean,
): { fields: NonNullable<ItemFields['fields']>; text?: ItemFields['text'] } {
  const { name, slug, sku, price, tax, stock, weight, categories, pictures, description, state } = item
  const shown = state === 'hidden' ? 0 : 1
  return {
    fields: {
      ...(changed('name') && { name, meta_title: name, meta_description: name }),
      ...(changed('slug') && { url_key: slug }),
      ...(changed('sku') && { sku }),
      ...(changed('price') && price !== undefined && { price: numberOf(price) }),
      ...(changed('tax') && tax !== undefined && { tax_class: tax === '' ? null : idOf(tax) }),
      ...(changed('stock') && stock !== undefined && { qty: stock }),
      ...(changed('weight') && weight !== undefined && { weight }),
      ...(changed('categories') &&
        categories && { category_id: categories[0] === undefined ? null : idOf(categories[0]) }),
      ...(changed('pictures') && pictures && { images: pictures.map(addressOf) }),
      ...(changed('state') && state !== undefined && { status: shown, visibility: shown }),
    },
    ...(changed('description') &&
      description !== undefined && { text: { name: 'description', body: bodyOf(description) } }),
  }
}

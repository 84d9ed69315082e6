import type { CheerioAPI } from 'cheerio'
import type { Difference } from '../../../core/area.js'
import { productsOf as planOf, type ProductItem } from '../../../core/areas/products.js'
import { choiceText, chosenIn } from '../../../core/goods/variants.js'
import { grouped } from '../../../core/grouped.js'
import { digitsNeeded } from '../../../core/money/decimal.js'
import { refOf } from '../../../core/ref.js'
import { textOf } from '../../../core/value.js'
import { listedAt, productAt } from '../../../looks/product.js'
import { searchAt } from '../../../looks/search.js'
import type { AreaOnSystem } from '../../area-on-system.js'
import { addressOf, bodyOf, idOf } from '../../later.js'
import { Step } from '../../step.js'
import { htmlOfRows, tooLong } from '../blocks.js'
import { choices } from '../carriers/choices.js'
import { items, type ItemFields } from '../carriers/items.js'
import { filesOf } from '../files.js'
import { productsNamed } from '../goods.js'
import type { EverShopSession } from '../session.js'
import { shopOf } from '../shop.js'
import { keyOf } from '../together.js'
import { notLatin } from '../../latin.js'
import { decimalOf, numberOf, tagged } from '../wire.js'

const sort = 'products'
const namesOn = ($: CheerioAPI): string[] =>
  $('.product__list__item .product__list__name')
    .toArray()
    .map((one) => $(one).text())

export const products: AreaOnSystem<'products', EverShopSession> = {
  can: { salePrice: { never: 'this system takes a price for now, and ignores it' } },
  keys: [
    ...(['name', 'slug', 'sku', 'options', 'price', 'tax', 'stock', 'weight', 'categories', 'pictures'] as const),
    ...(['description', 'state'] as const),
  ],
  atMost: { categories: 1 },
  takes(key, value, { slug }) {
    if (key === 'slug') return notLatin(slug)
    if (key === 'name') return tagged(value)
    if (key === 'options') {
      const names = Object.keys(chosenIn(value) ?? {})
      return names.length > 5
        ? 'a product has five options at the most on this system'
        : tagged(choiceText(chosenIn(value) ?? {}))
    }
    if (key === 'description') return tooLong(value)
    if (key === 'price' && digitsNeeded(textOf(value)) > 2)
      return 'prices have two digits behind the point at the most on this system'
    return undefined
  },
  async read(session, baseline) {
    const planned = new Set(planOf(baseline).map(({ sku }) => sku))
    const [found, shop, files] = await Promise.all([productsNamed(session, planned), shopOf(session), filesOf(session)])
    const slugs = new Map(shop.categories.items.map(({ categoryId, urlKey }) => [categoryId, urlKey ?? '']))
    const taxes = new Map(shop.taxClasses.items.map(({ taxClassId, name }) => [taxClassId, name]))
    const named = new Map(files.map(({ url, name }) => [url, refOf('media', name.replace(/\.[^.]*$/, ''))]))
    return found.map((one) => {
      const { category, taxClass, image, gallery, price, inventory, weight, variant } = one
      const slug = category ? slugs.get(category.categoryId) : undefined
      const tax = taxClass ? taxes.get(taxClass) : undefined
      // of variants one is visible in lists; the others are chosen on its page
      const isShown = one.status === 1 && (variant !== undefined || one.visibility !== 0)
      const item: ProductItem = {
        ...{
          name: one.name,
          slug: variant?.slug ?? one.urlKey ?? '',
          sku: one.sku,
          options: variant?.options ?? {},
          price: decimalOf(price.regular.value),
        },
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
  async readAgain(session, found, baseline) {
    session.shelf.forget('products', 'products unlisted')
    const ids = new Set(found.map(({ id }) => id))
    return (await this.read(session, baseline)).filter(({ id }) => ids.has(id))
  },
  translate: (differences) => [
    ...choicesFor(differences),
    ...differences.map((difference) => {
      const proves = [difference]
      const { ref } = difference
      if (difference.is === 'left over') return Step.of(items, { sort, id: idOf(ref), remove: true }, { proves })
      const id = difference.is === 'different' ? { id: idOf(difference.found.ref) } : {}
      const changed = (key: keyof ProductItem) => difference.is === 'missing' || difference.fields.includes(key)
      const fresh = difference.is === 'missing' ? needed : {}
      const { fields, ...more } = fieldsOf(difference.wanted, changed)
      // a currency stands before anything is priced in it
      const load = { sort, ...id, fields: { ...fresh, ...fields }, ...more } as const
      const after = ['store', ...Object.keys(difference.wanted.options ?? {}).map(optionRef)]
      return Step.of(items, load, { proves, gives: ref, after })
    }),
  ],
  again({ ref, item }) {
    const { fields, ...more } = fieldsOf(item, () => true)
    return Step.of(items, { sort, fields: { ...needed, ...fields }, ...more }, { proves: [], gives: ref })
  },
  looks: {
    product: productAt(($) => {
      const price = $('.product__single__price')
      return price.length === 0 ? undefined : price.first().text()
    }, choicesOn),
    listed: listedAt(namesOn, nextOf),
    search: searchAt((word) => `/search?keyword=${encodeURIComponent(word)}`, namesOn),
  },
}

function choicesOn($: CheerioAPI): [string, string][] {
  return $('.variant__container > div')
    .toArray()
    .flatMap((one) => {
      const name = $(one).children('div').first().text()
      const values = $(one).find('.variant-option-list li').toArray()
      return values.map((value): [string, string] => [name, $(value).text()])
    })
}

const optionRef = (name: string): string => `own.options/${name}`

/** The options that products need, each with all its values, before any of these is made. */
function choicesFor(differences: readonly Difference<'products', ProductItem>[]): Step[] {
  const wanted = grouped(
    differences.flatMap((one) =>
      one.is === 'left over'
        ? []
        : Object.entries(chosenIn(one.wanted.options) ?? {}).map(([name, value]) => [name, value] as const),
    ),
  )
  return [...wanted].map(([name, values]) =>
    Step.of(choices, { name, values: [...new Set(values)] }, { proves: [], gives: optionRef(name) }),
  )
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
): Pick<ItemFields, 'text' | 'variant'> & { fields: NonNullable<ItemFields['fields']> } {
  const { name, slug, sku, options = {}, price, tax, stock, weight, categories, pictures, description, state } = item
  const shown = state === 'hidden' ? 0 : 1
  const variant = Object.keys(options).length > 0 ? { slug, options } : undefined
  return {
    fields: {
      ...(changed('name') && { name, meta_title: name, meta_description: name }),
      ...((changed('slug') || (variant && changed('options'))) && { url_key: variant ? keyOf(variant) : slug }),
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
    ...(variant && { variant }),
    ...(changed('description') &&
      description !== undefined && { text: { name: 'description', body: bodyOf(description) } }),
  }
}

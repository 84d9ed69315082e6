import type { Office } from '../../../common/server/office.js'
import { isTaken, pathOf, type Category, type Product, type Shop } from '../model.js'
import { isSum } from '../sums.js'
import { isSlug, itemRoom, textIn } from './room.js'

/** What stands at the top beside categories, products and pages. */
const OWN = ['cart', 'checkout', 'thanks', 'files', 'office', 'search', 'enter', 'leave', 'setup']
const numbers = (text = ''): number[] =>
  text
    .split(/[\s,]+/)
    .map(Number)
    .filter((one) => one > 0)

/** Whether two are chosen by the same options, and not by the same values. */
const isAnother = (one: string, other: string): boolean => {
  const names = (options: string) => options.split('; ').map((part) => part.split(': ')[0])
  return one !== '' && other !== '' && one !== other && names(one).join() === names(other).join()
}

/** Categories and products. */
export function goods(office: Office, shop: Shop): void {
  const next = () => shop.next++
  itemRoom<Category>(office, next, {
    room: 'categories',
    all: () => shop.categories,
    name: ({ name }) => name,
    marks: (item) => {
      const { slug, description, parent, order, picture, made, edited } = item
      const own = { slug, description, parent: String(parent), order: String(order), picture: String(picture) }
      return { ...own, path: pathOf(shop, item), made, edited }
    },
    fields: (item) => [
      { name: 'name', label: 'Name', value: item?.name ?? '' },
      { name: 'slug', label: 'Slug', value: item?.slug ?? '' },
      { name: 'description', label: 'Text', value: item?.description ?? '', kind: 'long' },
      { name: 'parent', label: 'Under, by number', value: String(item?.parent ?? 0) },
      { name: 'order', label: 'Order', value: String(item?.order ?? 0) },
      { name: 'picture', label: 'Picture, by number', value: String(item?.picture ?? 0) },
    ],
    refuses({ name = '', slug = '', parent = '0' }, item) {
      if (name === '') return 'It needs a name.'
      if (!isSlug(slug)) return 'That is no slug.'
      if (parent === String(item?.id)) return 'It can’t stand below itself.'
      const beside = shop.categories.some((one) => one.slug === slug && one !== item && String(one.parent) === parent)
      const clashes = beside || (parent === '0' && (OWN.includes(slug) || isTaken(shop, slug, item)))
      return clashes ? 'That slug is taken.' : undefined
    },
    take: ({ name = '', slug = '', description, parent, order, picture }) => ({
      ...{ name, slug, description: textIn(description), parent: Number(parent) || 0 },
      order: Number(order) || shop.categories.length + 1,
      picture: Number(picture) || 0,
    }),
    gone: ({ id, parent }) => {
      for (const product of shop.products) product.categories = product.categories.filter((one) => one !== id)
      if (shop.faults.has('takes what stands below along'))
        shop.categories = shop.categories.filter((one) => one.parent !== id)
      for (const one of shop.categories) if (one.parent === id) one.parent = parent
    },
  })
  itemRoom<Product>(office, next, {
    room: 'products',
    all: () => shop.products,
    name: ({ name }) => name,
    marks: ({
      slug,
      sku,
      options,
      price,
      sale,
      tax,
      stock,
      weight,
      categories,
      pictures,
      body,
      state,
      made,
      edited,
    }) => ({
      ...{ slug, sku, options, price, sale, tax: String(tax), stock: String(stock), weight, body, state, made, edited },
      categories: categories.join(','),
      pictures: pictures.join(','),
    }),
    fields: (item) => [
      { name: 'name', label: 'Name', value: item?.name ?? '' },
      { name: 'slug', label: 'Slug', value: item?.slug ?? '' },
      { name: 'sku', label: 'SKU', value: item?.sku ?? '' },
      { name: 'options', label: 'Which one of several, as “size: S”', value: item?.options ?? '' },
      { name: 'price', label: 'Price', value: item?.price ?? '' },
      { name: 'sale', label: 'Price for now', value: item?.sale ?? '' },
      {
        name: 'tax',
        label: 'Tax',
        value: String(item?.tax ?? 0),
        choices: ['0', ...shop.taxes.map(({ id }) => String(id))],
      },
      { name: 'stock', label: 'Stock', value: String(item?.stock ?? 0) },
      { name: 'weight', label: 'Weight', value: item?.weight ?? '' },
      { name: 'categories', label: 'Categories, by number', value: item?.categories.join(' ') ?? '' },
      { name: 'pictures', label: 'Pictures, by number', value: item?.pictures.join(' ') ?? '' },
      { name: 'body', label: 'Text', value: item?.body ?? '', kind: 'long' },
      { name: 'state', label: 'Visitors', value: item?.state ?? 'shown', choices: ['shown', 'hidden'] },
    ],
    refuses({ name = '', slug = '', sku = '', options = '', price, sale = '' }, item) {
      if (name === '' || sku === '') return 'It needs a name and a SKU.'
      if (!isSlug(slug)) return 'That is no slug.'
      if (!isSum(price) || (sale !== '' && !isSum(sale))) return 'That is no price.'
      if (shop.products.some((one) => one.sku === sku && one !== item)) return 'That SKU is taken.'
      const others = shop.products.filter((one) => one.slug === slug && one !== item)
      const isOneMore = others.length > 0 && others.every((one) => isAnother(one.options, options))
      return OWN.includes(slug) || (!isOneMore && isTaken(shop, slug, item)) ? 'That slug is taken.' : undefined
    },
    take: ({
      name = '',
      slug = '',
      sku = '',
      options = '',
      price = '',
      sale = '',
      tax,
      stock,
      weight = '',
      body,
      ...more
    }) => ({
      ...{
        name,
        slug,
        sku,
        options,
        price,
        sale,
        weight,
        body: textIn(body),
        tax: Number(tax) || 0,
        stock: Number(stock) || 0,
      },
      categories: numbers(more.categories).filter((id) => shop.categories.some((one) => one.id === id)),
      pictures: numbers(more.pictures).filter((id) => shop.uploads.some((one) => one.id === id)),
      state: more.state === 'hidden' ? ('hidden' as const) : ('shown' as const),
    }),
  })
}

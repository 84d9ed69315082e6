import {
  choiceText,
  idOf,
  type ChosenOptions,
  listedAt,
  productAt,
  refOf,
  searchAt,
  Step,
  type AreaOnSystem,
  type Difference,
  type ItemOf,
  bodyOf,
} from 'unpack'
import type { CheerioAPI } from 'cheerio'
import type { StandInSession } from '../../../common/adapter/session.js'
import { sinceOf } from '../../../common/adapter/since.js'
import { items, type ItemFields } from '../carriers/forms.js'
import { marksOf, samples, shipped } from '../shipped.js'
import { picturesIn } from './media.js'

const room = 'products'
type ProductItem = ItemOf<'products'>
const namesOn = ($: CheerioAPI): string[] =>
  $('a.product')
    .toArray()
    .map((one) => $(one).text())

export const products: AreaOnSystem<'products', StandInSession> = {
  keys: [
    ...(['name', 'slug', 'sku', 'options', 'price', 'salePrice', 'tax', 'stock', 'weight', 'categories'] as const),
    ...(['pictures', 'description', 'state'] as const),
  ],
  async read(session) {
    const [rows, pictures, categories, taxes, since] = await Promise.all([
      session.rows(room),
      picturesIn(session),
      session.rows('categories'),
      session.rows('taxes'),
      sinceOf(session),
    ])
    const refs = new Map(categories.map(({ id, data }) => [String(id), refOf('categories', data.slug ?? '')]))
    const named = new Map(taxes.map(({ id, cells }) => [String(id), refOf('taxes', cells[0] ?? '')]))
    const listed = (text: string | undefined, all: ReadonlyMap<string, string>) =>
      (text ?? '').split(',').flatMap((number) => all.get(number) ?? [])
    return rows.map((row) => {
      const { id, data, cells } = row
      const { slug = '', sku = '', options = '', price, sale, tax = '', stock, weight = '', body = '', state } = data
      const item: ProductItem = {
        ...{ name: cells[0] ?? '', slug, sku, price, salePrice: sale, tax: named.get(tax) ?? '', description: body },
        options: optionsIn(options),
        ...{ stock: Number(stock), state: state === 'hidden' ? 'hidden' : 'shown' },
        ...(weight !== '' && { weight: Number(weight) }),
        categories: listed(data.categories, refs),
        pictures: listed(data.pictures, pictures),
      }
      return {
        id,
        item,
        marks: marksOf(row, body, [1, 2], since),
        address: new URL(options === '' ? `${slug}/` : `${slug}/?sku=${sku}`, session.visitor.home).href,
        stamp: data.made,
        copy: item,
      }
    })
  },
  translate: (differences) =>
    differences.map((difference) => {
      const proves = [difference]
      const { ref } = difference
      if (difference.is === 'left over') return Step.of(items, { room, id: idOf(ref), remove: true }, { proves })
      const which = difference.is === 'different' ? { id: idOf(difference.found.ref) } : {}
      const fields = fieldsOf(difference.wanted, changedIn(difference))
      // a currency stands before anything is priced in it
      return Step.of(items, { room, ...which, fields }, { proves, gives: ref, after: ['store'] })
    }),
  again: ({ ref, item }) => Step.of(items, { room, fields: fieldsOf(item, () => true) }, { proves: [], gives: ref }),
  ships: () =>
    samples.products.map(([name, slug, sku, category], index) => ({
      id: index + 1,
      item: { name, slug, sku, categories: [refOf('categories', category)] },
      marks: shipped,
    })),
  shippedAt: () => samples.products.map(([, slug]) => `/${slug}/`),
  looks: {
    product: productAt(
      ($) => ($('.price .now').length === 0 ? undefined : $('.price .now').first().text()),
      ($) =>
        $('.choices li')
          .toArray()
          .map((one) => [$(one).attr('data-name') ?? '', $(one).attr('data-value') ?? '']),
    ),
    listed: listedAt(namesOn, ($) => $('a.next').attr('href')),
    search: searchAt((word) => `/search?for=${encodeURIComponent(word)}`, namesOn),
  },
}

/** `size: S; colour: green` as what is chosen. */
const optionsIn = (text: string): ChosenOptions =>
  Object.fromEntries(text.split('; ').flatMap((part) => (part === '' ? [] : [part.split(': ') as [string, string]])))

const changedIn =
  (difference: Exclude<Difference<'products', ProductItem>, { is: 'left over' }>) =>
  (key: keyof ProductItem): boolean =>
    difference.is === 'missing' || difference.fields.includes(key)

function fieldsOf(item: ProductItem, changed: (key: keyof ProductItem) => boolean): NonNullable<ItemFields['fields']> {
  const { name, slug, sku, options, price, salePrice, tax, stock, weight, categories, pictures, description, state } =
    item
  return {
    ...(changed('name') && { name }),
    ...(changed('slug') && { slug }),
    ...(changed('sku') && { sku }),
    ...(changed('options') && options && { options: choiceText(options) }),
    ...(changed('price') && price !== undefined && { price }),
    ...(changed('salePrice') && salePrice !== undefined && { sale: salePrice }),
    ...(changed('tax') && tax !== undefined && { tax: tax === '' ? '0' : idOf(tax) }),
    ...(changed('stock') && stock !== undefined && { stock: String(stock) }),
    ...(changed('weight') && weight !== undefined && { weight: String(weight) }),
    ...(changed('categories') && categories && { categories: categories.map(idOf) }),
    ...(changed('pictures') && pictures && { pictures: pictures.map(idOf) }),
    ...(changed('description') && description !== undefined && { body: bodyOf(description) }),
    ...(changed('state') && state !== undefined && { state }),
  }
}

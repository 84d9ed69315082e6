import { z } from 'zod'
import { knownItems } from '../baseline/known-item.js'
import { fileAt, filesAt, filesIn } from '../baseline/named-files.js'
import { groupsIn, isGroup, listOf, namedBy, namesIn, type PlainGroup } from '../baseline/plain-values.js'
import type { AddMistake } from '../baseline/mistake.js'
import type { Area, Value } from '../area.js'
import type { Baseline } from '../baseline/schema.js'
import { fileName, money, productCode, slug } from '../baseline/values.js'
import { productLooks, type ProductLook } from '../goods/product-looks.js'
import { compareDecimals, isDecimal, sameDecimal } from '../money/decimal.js'
import { refOf } from '../ref.js'
import { htmlOf } from '../text/markdown.js'
import { sameText } from '../text/normal-form.js'
import { textOf } from '../value.js'
import { categories } from './categories.js'
import { taxesOf } from './taxes.js'

export const productSchema = z.strictObject({
  name: z
    .string()
    .min(1)
    .describe('What it is called')
    .meta({ examples: ['Runner bean “Harbour Light”'] }),
  slug: slug.describe('Its part of the address'),
  sku: productCode.describe('What the stock is counted by (SKU); a product is known by it'),
  categories: z
    .array(slug)
    .min(1)
    .describe('Exactly these categories, by their slugs')
    .meta({ examples: [['beans']] }),
  price: money.describe('What it costs, in the currency of the store, as text'),
  salePrice: money.optional().describe('What it costs for now, in place of the price'),
  tax: z
    .string()
    .min(1)
    .optional()
    .describe('A tax of the store, by its name; left out, the first')
    .meta({ examples: ['Reduced'] }),
  stock: z
    .int()
    .min(0)
    .optional()
    .describe('How many there are when it is made; later the shop counts for itself')
    .meta({ examples: [120] }),
  weight: z
    .number()
    .min(0)
    .optional()
    .describe('What it weighs, in the unit of the store')
    .meta({ examples: [0.03] }),
  picture: fileName
    .optional()
    .describe('A picture beside the baseline')
    .meta({ examples: ['files/harbour-light.png'] }),
  pictures: z
    .array(fileName)
    .optional()
    .describe('Several pictures, the first in front')
    .meta({ examples: [['files/harbour-light.png']] }),
  description: fileName
    .optional()
    .describe('A file in CommonMark beside the baseline')
    .meta({ examples: ['products/harbour-light.md'] }),
  text: z
    .string()
    .optional()
    .describe('The same text, written here')
    .meta({ examples: ['Sow after the last frost.'] }),
  state: z.enum(['shown', 'hidden']).optional().describe('Whether visitors find it; left out: they do'),
})
/** A product as the file, or a row of its table, has it. */
export type WantedProduct = z.output<typeof productSchema>

/** A product. */
export interface ProductItem {
  name: string
  slug: string
  sku: string
  /** A decimal. */
  price?: string
  salePrice?: string
  /** The ref of its tax. */
  tax?: string
  stock?: number
  weight?: number
  /** Refs of its categories. */
  categories?: readonly string[]
  /** Refs of its pictures. */
  pictures?: readonly string[]
  /** HTML. */
  description?: string
  state?: 'shown' | 'hidden'
}

/** Its part of the baseline file. */
export const productsPart = {
  products: z
    .union([
      z.array(productSchema),
      z.strictObject({
        from: fileName
          .describe('A table (CSV, RFC 4180) beside the baseline, with these keys in its first row')
          .meta({ examples: ['files/products.csv'] }),
      }),
    ])
    .optional()
    .describe('At least these products')
    .meta({
      examples: [[{ name: 'Sea thrift', slug: 'sea-thrift', sku: 'SQ-0002', categories: ['flowers'], price: '1.90' }]],
    }),
}

/** A look at a product's page. */
export const productCheck = z.strictObject({
  product: productCode.describe('A product of this file, by its SKU'),
  as: z.literal('visitor').default('visitor').describe('Who looks'),
  shows: z.string().min(1).describe('A text that must be seen there'),
})

/**
 * The products of a baseline, whether they stand in it or in a table beside it.
 * @example productsOf(baseline).map(({ sku }) => sku)
 */
export const productsOf = ({ products }: Pick<Baseline, 'products'>): readonly WantedProduct[] =>
  Array.isArray(products) ? products : []

const listed = (value: Value): readonly string[] => (Array.isArray(value) ? (value as readonly string[]) : [])
const sorted = (value: Value): string => listed(value).toSorted().join(' ')

const words: Partial<Record<keyof ProductItem, string>> = {
  sku: 'SKU',
  salePrice: 'price for now',
  description: 'text',
}

/** Products: at least these, each known by its SKU. */
export const products: Area<'products', ProductItem, ProductLook> = {
  name: 'products',
  title: 'products',
  list: 'at least',
  questions: [{ key: 'products', ask: 'What is sold?' }],
  shipped: 'Products',
  gone: z.array(productCode).describe('Products, by their SKUs'),
  guarded: true,
  keys: [
    ...(['name', 'slug', 'sku', 'price', 'salePrice', 'tax', 'stock', 'weight', 'categories', 'pictures'] as const),
    ...(['description', 'state'] as const),
  ],
  named: ({ products }) => namedBy(products, 'sku', ['products']),
  files: ({ products }) => [
    ...fileAt('table', products, 'from', ['products']),
    ...filesAt('body', products, 'description', ['products']),
    ...filesAt('picture', products, 'picture', ['products']),
    ...groupsIn(products).flatMap(([{ pictures }, index]) =>
      filesIn('picture', pictures, ['products', index, 'pictures']),
    ),
  ],
  mistakes: productMistakes,
  ref: (item) => refOf('products', item.sku),
  plan(baseline) {
    const [usual] = taxesOf(baseline)
    return productsOf(baseline).map(({ categories, picture, pictures, description, text, tax, ...item }) => {
      const named = tax ?? usual?.name
      const shown = pictures ?? (picture === undefined ? undefined : [picture])
      return {
        item: {
          ...item,
          tax: named === undefined ? undefined : refOf('taxes', named),
          categories: categories.map((name) => refOf('categories', name)),
          pictures: shown?.flatMap((file) => {
            const upload = baseline.uploads[file]
            return upload ? [refOf('media', upload.name)] : []
          }),
          description: description === undefined ? text && htmlOf(text) : baseline.bodies[description],
          state: item.state ?? 'shown',
        },
      }
    })
  },
  links: ['categories', 'pictures', 'tax'],
  theirs: ['name', 'price', 'salePrice', 'description', 'state'],
  onlyNew: ['stock'],
  same(key, wanted, found) {
    if (key === 'price' || key === 'salePrice') return sameDecimal(textOf(wanted), textOf(found))
    if (key === 'description') return sameText(textOf(wanted), textOf(found))
    if (key === 'categories') return sorted(wanted) === sorted(found)
    if (key === 'pictures') return listed(wanted).join(' ') === listed(found).join(' ')
    return wanted === found || ((key === 'stock' || key === 'weight') && textOf(wanted) === textOf(found))
  },
  call: (item) => `the product “${item.name}”`,
  say: (key) => words[key] ?? key,
  expect: productLooks,
}

/** What no schema can see of products. */
function productMistakes(values: PlainGroup, add: AddMistake): void {
  const category = knownItems(values, categories, add)
  const { store } = values
  const taxes = new Set(namesIn(isGroup(store) ? store.taxes : [], 'name'))
  const slugs = new Map<unknown, number>()
  for (const [product, index] of groupsIn(values.products)) {
    const at = ['products', index]
    for (const [place, slug] of listOf(product.categories).entries()) category(slug, [...at, 'categories', place])
    if (typeof product.tax === 'string' && !taxes.has(product.tax))
      add('unknown-item', [...at, 'tax'], 'no tax of this file has that name', 'a name that stands under store.taxes')
    if (slugs.has(product.slug))
      add(
        'two-of-one',
        [...at, 'slug'],
        `the same slug stands at products[${slugs.get(product.slug) ?? 0}] already`,
        'a slug of its own',
      )
    else slugs.set(product.slug, index)
    if (product.description !== undefined && product.text !== undefined)
      add('contradiction', [...at, 'text'], 'description names a text as well', 'one or the other')
    if (product.picture !== undefined && product.pictures !== undefined)
      add('contradiction', [...at, 'picture'], 'pictures names some as well', 'one or the other')
    const { price, salePrice } = product
    if ([price, salePrice].every((sum) => typeof sum === 'string' && isDecimal(sum)))
      if (compareDecimals(String(salePrice), String(price)) >= 0)
        add('contradiction', [...at, 'salePrice'], 'this is not less than the price', 'a lower sum')
  }
  const known = new Set(namesIn(values.products, 'sku'))
  for (const [{ product }, index] of groupsIn(values.checks))
    if (typeof product === 'string' && !known.has(product))
      add(
        'unknown-item',
        ['checks', index, 'product'],
        'no product of this file has that SKU',
        'a SKU that stands under products',
      )
}

import { z } from 'zod'
import { knownItems } from '../baseline/known-item.js'
import { fileAt, filesAt, filesIn } from '../baseline/named-files.js'
import { groupsIn } from '../baseline/plain-values.js'
import type { Area, Value } from '../area.js'
import type { Baseline } from '../baseline/schema.js'
import { fileName, productCode } from '../baseline/values.js'
import { productMistakes } from '../goods/product-mistakes.js'
import { productSchema } from '../goods/product-schema.js'
import { calledOf, productLooks, type ProductLook } from '../goods/product-looks.js'
import {
  choiceText,
  chosenIn,
  isSameChoice,
  onesOf,
  plainOnes,
  type ChosenOptions,
  type OneProduct,
} from '../goods/variants.js'
import { sameDecimal } from '../money/decimal.js'
import { inMoney } from '../money/unit.js'
import { refOf } from '../ref.js'
import { htmlOf } from '../text/markdown.js'
import { sameText } from '../text/normal-form.js'
import { textOf } from '../value.js'
import { categories } from './categories.js'
import { taxesOf } from './taxes.js'

/** A product. */
export interface ProductItem {
  name: string
  slug: string
  sku: string
  /** Which one it is, of several under one address. */
  options?: ChosenOptions
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
 * Everything of a baseline with a SKU of its own, whether it stands there or in a table beside it: products, and each variant
 * of those that come in several.
 * @example productsOf(baseline).map(({ sku }) => sku)
 */
export const productsOf = ({ products }: Pick<Baseline, 'products'>): readonly OneProduct[] =>
  Array.isArray(products) ? products.flatMap(onesOf) : []

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
    ...(['name', 'slug', 'sku', 'options', 'price', 'salePrice', 'tax', 'stock', 'weight', 'categories'] as const),
    ...(['pictures', 'description', 'state'] as const),
  ],
  must: ['options'],
  // a variant may be put beside the others once it is there
  apart: ['options', 'slug', 'state'],
  toldWhenMissing: ['options'],
  named: ({ products }) =>
    plainOnes(products).flatMap(({ product: { sku }, at }) =>
      typeof sku === 'string' ? [{ name: sku, path: at('sku') }] : [],
    ),
  files: ({ products }) => [
    ...fileAt('table', products, 'from', ['products']),
    ...filesAt('body', products, 'description', ['products']),
    ...filesAt('picture', products, 'picture', ['products']),
    ...groupsIn(products).flatMap(([{ pictures, variants }, index]) => [
      ...filesIn('picture', pictures, ['products', index, 'pictures']),
      ...filesAt('picture', variants, 'picture', ['products', index, 'variants']),
    ]),
  ],
  mistakes: (values, add) => {
    productMistakes(values, add, knownItems(values, categories, add))
  },
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
  onlyNew: ['stock'],
  countedIn: { price: inMoney, salePrice: inMoney, weight: [{ area: 'store', key: 'units.weight' }] },
  opens: (wanted, found) => wanted.state === 'shown' && found.state === 'hidden',
  same(key, wanted, found) {
    if (key === 'price' || key === 'salePrice') return sameDecimal(textOf(wanted), textOf(found))
    if (key === 'description') return sameText(textOf(wanted), textOf(found))
    if (key === 'options') return isSameChoice(chosenIn(wanted) ?? {}, chosenIn(found) ?? {})
    if (key === 'categories') return sorted(wanted) === sorted(found)
    if (key === 'pictures') return listed(wanted).join(' ') === listed(found).join(' ')
    return wanted === found || ((key === 'stock' || key === 'weight') && textOf(wanted) === textOf(found))
  },
  call: calledOf,
  say: (key) => words[key] ?? key,
  show: (key, value) => (key === 'options' ? choiceText(chosenIn(value) ?? {}) : undefined),
  expect: productLooks,
}

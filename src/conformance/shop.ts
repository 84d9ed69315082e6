import type { Files } from '../core/baseline/files.js'
import type { Baseline } from '../core/baseline/schema.js'
import type { ConformanceSite } from './site.js'

/* Plans that cases of shops start from. */

/** A store in pounds that ships to two countries. */
export const quay = {
  currency: 'GBP',
  prices: 'include tax',
  taxes: [
    { name: 'VAT', country: 'GB', rate: '20' },
    { name: 'Reduced', country: 'GB', rate: '5' },
  ],
  shipsTo: ['GB', 'IE'],
  shipping: [{ name: 'Blue van', price: '3.50' }],
  payment: [{ name: 'Cash at the counter', by: 'cash' }],
}
export const shelves = [
  { name: 'Vegetables', slug: 'vegetables', under: [{ name: 'Beans', slug: 'beans' }] },
  { name: 'Flowers', slug: 'flowers' },
]
export const bean = {
  ...{ name: 'Runner bean', slug: 'runner-bean', sku: 'SQ-1', price: '2.40', tax: 'Reduced', stock: 12, weight: 0.03 },
  categories: ['beans'],
  description: 'bean.md',
}
export const thrift = {
  name: 'Sea thrift',
  slug: 'sea-thrift',
  sku: 'SQ-2',
  price: '1.90',
  stock: 8,
  categories: ['flowers'],
}
/** An apron in two sizes, and one more where that is said. */
export const apron = (price = '18.50', another?: readonly [size: string, dye: string]): object => ({
  ...{ name: 'Apron', slug: 'apron', categories: ['flowers'], price: '18.00', text: 'With a pocket for string.' },
  options: { size: ['S', 'M', ...(another ? [another[0]] : [])], dye: ['green', ...(another ? [another[1]] : [])] },
  variants: [
    { sku: 'AP-S', options: { size: 'S', dye: 'green' }, stock: 3 },
    { sku: 'AP-M', options: { dye: 'green', size: 'M' }, price, stock: 5 },
    ...(another ? [{ sku: 'AP-X', options: { size: another[0], dye: another[1] }, stock: 2 }] : []),
  ],
})
const texts = { 'bean.md': 'Sow *after* the last frost.\n\n- two to a pole\n' }

/** A shop with these products. */
export const shop = (
  site: ConformanceSite,
  products: readonly object[],
  { files, ...more }: Record<string, unknown> & { files?: Files } = {},
): Baseline =>
  site.baseline({
    store: quay,
    categories: shelves,
    products,
    ...more,
    files: { ...texts, 'bean.png': site.provided.icon, ...files },
  })

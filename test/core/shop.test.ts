import assert from 'node:assert/strict'
import { test } from 'node:test'
import { areaOf } from '../../src/core/areas/index.js'
import { markOf } from '../../src/core/comparing/left.js'
import { areas, compare, expectations, inventoryOf, mistakesIn, readBaseline, type Reading } from 'unpack'

const store = `
  currency: GBP
  taxes: [{ name: VAT, country: GB, rate: "20" }, { name: Reduced, country: GB, rate: "5" }, { name: VAT, country: IE, rate: "23" }]
  shipsTo: [GB, IE]
  shipping: [{ name: Van, price: "3.50" }]
  payment: [{ name: Cash, by: cash }]`
const head = (own = store) => `unpack: 1
site: { address: "http://127.0.0.1:4104/", kind: shop }
owner: { username: marlow }
store:${own}
categories: [{ name: Beans, slug: beans }]
`
const bean = '{ name: Bean, slug: bean, sku: SQ-1, categories: [beans], price: "2.40", stock: 12 }'
const apron = (
  more: string,
  second = 'S',
) => `${head()}products: [{ name: Apron, slug: apron, categories: [beans], ${more}
  options: { size: [M, S] }, variants: [{ sku: A-M, options: { size: M }, price: "18.00", stock: 4 },
  { sku: A-S, options: { size: ${second} }, price: "17.00" }] }]`
const told = (text: string, files = {}) =>
  mistakesIn(text, files).map(
    ({ at, path, what }) => `${at.file.replace('baseline.yaml', '')}:${at.line} ${path}: ${what}`,
  )
const table = (rows: string) => ({ 'p.csv': `name,slug,sku,price,categories,stock\n${rows}` })
const from = `${head()}products: { from: p.csv }`

test('a shop’s file: what contradicts itself is told with its place, before anything is sent', () => {
  assert.deepEqual(told(`${head()}products: [${bean}]`), [])
  const wrong: [string, RegExp][] = [
    [
      head(store.replace('price: "3.50"', 'price: "3.50", countries: [GB]')),
      /:7 store\.shipsTo\[1\]: no way of shipping/,
    ],
    [
      head(store.replace('price: "3.50"', 'price: "3.50", countries: [FR, GB, IE]')),
      /countries\[0\]: the store does not ship there/,
    ],
    [head(store.replace('"3.50"', '"3.505"')), /store\.shipping\[0\]\.price: this sum is finer than the currency/],
    [head(store.replace('GBP', 'JPY')), /finer than the currency/],
    [head(store.replace('GBP', 'EURO')), /store\.currency: this value is not possible/],
    [head(store.replace('[GB, IE]', '[UK, GB, IE]')), /store\.shipsTo\[0\]: this value is not possible/],
    [
      head(store.replace('country: IE', 'country: GB')),
      /store\.taxes\[2\]\.country: this tax has a rate in this country/,
    ],
    [
      head(store.replace('by: cash }', 'by: cash }, { name: Till, by: cash }')),
      /store\.payment\[1\]\.by: another one here/,
    ],
    [
      head(store.replace('price: "3.50"', 'byWeight: [{ from: "2", price: "1" }, { from: "1", price: "2" }]')),
      /byWeight\[1\]\.from: this is not more/,
    ],
    [head(store.replace(', price: "3.50"', '')), /store\.shipping\[0\]: nothing says what it costs/],
    [
      `${head()}products: [${bean}, ${bean.replace('slug: bean', 'slug: other')}]`,
      /products\[1\]\.sku: the same SKU stands at products\[0\]/,
    ],
    [
      `${head()}products: [${bean}, ${bean.replace('SQ-1', 'SQ-2')}]`,
      /products\[1\]\.slug: the same slug stands at products\[0\]/,
    ],
    [`${head()}products: [${bean.replace('sku: SQ-1, ', '')}]`, /products\[0\]\.sku: this key is missing/],
    [`${head()}products: [${bean.replace('price: "2.40", ', '')}]`, /products\[0\]\.price: this key is missing/],
    [apron('sku: SQ-9, '), /products\[0\]\.sku: this is said by each of its variants/],
    [apron('', 'M'), /variants\[1\]\.options: another variant is chosen by the same/],
    [apron('', 'XL'), /variants\[1\]\.options\.size: this is not among those to choose from/],
    [apron('').replaceAll('size:', '"si:ze":'), /:12 products\[0\]\.options\.…: this name is not possible here/],
    [apron('').replace('[M, S]', '[38, S]'), /options\.size\[0\]: a number stands here/],
    [apron('price: "17.999", '), /products\[0\]\.price: this sum is finer than the currency/],
    [apron('').replace('size: S', 'fit: S'), /variants\[1\]\.options: one of the options is not chosen/],
    [
      `${head()}products: [${bean.replace('stock: 12', 'options: { size: [S, M] }')}]`,
      /products\[0\]\.options\.size: there are several to choose from, and no variants/,
    ],
    [
      `${head()}products: [${bean.replace('categories: [beans], ', '')}]`,
      /products\[0\]\.categories: this key is missing/,
    ],
    [
      `${head()}products: [${bean.replace('[beans]', '[peas]')}]`,
      /categories\[0\]: no category of this file has that slug/,
    ],
    [
      `${head()}products: [${bean.replace('stock: 12', 'tax: Low')}]`,
      /products\[0\]\.tax: no tax of this file has that name/,
    ],
    [
      `${head()}products: [${bean.replace('stock: 12', 'salePrice: "2.40"')}]`,
      /salePrice: this is not less than the price/,
    ],
    [`${head()}products: [${bean.replace('"2.40"', '2.40')}]`, /products\[0\]\.price: a number stands here/],
    [
      `${head()}products: [${bean}]\nchecks: [{ product: SQ-9, shows: Bean }]`,
      /checks\[0\]\.product: no product of this file/,
    ],
    [
      `${head()}pages: [{ title: Beans, slug: beans }]`,
      /pages\[0\]\.slug: a category of this file stands at the same address/,
    ],
  ]
  for (const [text, what] of wrong) assert.match(told(text).join('\n'), what, text)
})

test('products from a table: quotes, lines within a cell, empty cells, several categories', () => {
  const rows = 'Bean,bean,SQ-1,2.40,beans,12\r\n"Pea, ""sweet""",pea,SQ-2,1.9,beans; beans,\r\n'
  const { products } = readBaseline(from, table(rows)).baseline
  assert.deepEqual(products, [
    { name: 'Bean', slug: 'bean', sku: 'SQ-1', price: '2.40', categories: ['beans'], stock: 12 },
    { name: 'Pea, "sweet"', slug: 'pea', sku: 'SQ-2', price: '1.9', categories: ['beans', 'beans'] },
  ])
})

test('variants: each is a product by its own SKU under one address; in a table, each has a row', () => {
  assert.deepEqual(told(apron('')), [])
  const nested = areas.products.plan(readBaseline(apron('')).baseline).map(({ item }) => item)
  assert.deepEqual(
    nested.map(({ sku, slug, options, price, stock }) => [sku, slug, options, price, stock]),
    [
      ['A-M', 'apron', { size: 'M' }, '18.00', 4],
      ['A-S', 'apron', { size: 'S' }, '17.00', undefined],
    ],
  )
  const rows = 'Apron,apron,A-M,18.00,beans,4,size: M\nApron,apron,A-S,17.00,beans,,"size: S"\n'
  const flat = { 'p.csv': `name,slug,sku,price,categories,stock,options\n${rows}` }
  assert.deepEqual(
    areas.products.plan(readBaseline(from, flat).baseline).map(({ item }) => item),
    nested,
  )
  assert.deepEqual(areas.products.call(nested[0] ?? { name: '', slug: '', sku: '' }), 'the product “Apron”, M')
  const wrong = { 'p.csv': flat['p.csv'].replace('size: S', 'S').replace('Apron,apron,A-S', 'Pinny,apron,A-S') }
  assert.deepEqual(
    mistakesIn(from, wrong).map(({ at, what }) => `${at.line}:${at.column} ${what}`),
    ['3:2 the same slug stands at products[0] already', '3:7 a text stands here'],
  )
  const other = { 'p.csv': flat['p.csv'].replace('Apron,apron,A-S', 'Pinny,apron,A-S') }
  assert.match(
    told(from, other).join(),
    /p\.csv:3 products\[1\]\.name: another variant of this product has another name/,
  )
  assert.match(told(from, { 'p.csv': 'name,variants\n' }).join(), /“variants” is no key of an item/)
})

test('mistakes of a table name its file, the row and the column, all at once', () => {
  const rows = 'Bean,bean,SQ-1,2.40,beans,twelve\n"Two\nlines",two,SQ-1,2.401,peas,3\n'
  const all = mistakesIn(from, table(rows)).map(({ at, what }) => `${at.file}:${at.line}:${at.column} ${what}`)
  assert.deepEqual(all, [
    'p.csv:2:6 a text stands here',
    'p.csv:3:3 the same SKU stands at products[0] already',
    'p.csv:3:4 this sum is finer than the currency',
    'p.csv:3:5 no category of this file has that slug',
  ])
  assert.deepEqual(told(from), [':11 products.from: the file p.csv is not there'])
  assert.match(told(from, { 'p.csv': 'name,colour\n' }).join(), /p\.csv:1 : “colour” is no key of an item/)
  assert.match(told(from, table('"Bean,bean\n')).join(), /p\.csv:2 : a quote is opened here and not closed/)
  assert.match(told(from, table('Bean,bean\n')).join(), /p\.csv:2 : this row has more or fewer cells/)
  assert.match(told(from, { 'p.csv': '' }).join(), /p\.csv:1 : this table is empty/)
  assert.match(told(from, { 'p.csv': new Uint8Array([0xff, 0xfe, 0]) }).join(), /the file p\.csv is no text/)
})

test('a table of 5,000 rows, the last of which is wrong', () => {
  const row = (index: number) => `Bean ${index},bean-${index},SQ-${index},2.40,beans,3\n`
  const rows = Array.from({ length: 5000 }, (_, index) => row(index)).join('')
  assert.deepEqual(told(from, table(rows)), [])
  assert.match(told(from, table(`${rows}${row(17)}`)).join(), /^p\.csv:5002 products\[5000\]\.slug/)
})

const plan = readBaseline(`${head()}products: [${bean}]`).baseline
const standing = (item: object, origin?: 'shipped', currency = 'EUR'): Reading => {
  const [wanted] = areas.products.plan(plan)
  const marks = origin ? { place: true, untouched: true, known: true } : undefined
  return {
    products: [{ id: 7, item: { ...(wanted?.item ?? { name: '', slug: '', sku: '' }), ...item }, marks }],
    store: [{ id: 'store', item: { currency, shipsTo: ['GB', 'IE'] } }],
  }
}
const compared = (item: object, price?: string, again: string[] = []) => {
  const left: Record<string, string> = price === undefined ? {} : { price: markOf(areaOf('products'), 'price', price) }
  return compare(plan, inventoryOf(standing(item, undefined, 'GBP')), { ours: () => true, left: () => left, again })
}
const ofProducts = ({ differences }: ReturnType<typeof compare>) =>
  differences.flatMap((one) => (one.area === 'products' && one.is === 'different' ? [one.fields] : []))

test('a price that its owner changed since is theirs; what we wrote last is ours to change', () => {
  assert.deepEqual(ofProducts(compared({ price: '2.20' }, '2.20')), [['price']])
  const theirs = compared({ price: '9.99', stock: 3 }, '2.20')
  assert.deepEqual([ofProducts(theirs), theirs.theirKeys], [[], ['products/SQ-1#price']])
  assert.match(theirs.kept[0]?.text ?? '', /price of the product “Bean” was changed since: it stays/)
  const shows = expectations(theirs.settled, plan).find(({ look }) => look === 'product')
  assert.equal((shows as { price?: string } | undefined)?.price, '9.99', 'visitors should see what was kept')
  assert.deepEqual(ofProducts(compared({ price: '9.99' }, '2.20', ['products/SQ-1'])), [['price']])
})

test('stock counts for itself once a product is there, and decimals are compared as numbers', () => {
  assert.deepEqual(ofProducts(compared({ stock: 3, price: '2.4' })), [])
})

test('the currency is never changed under prices: by hand, with why; under what shipped it is', () => {
  const stays = compare(plan, inventoryOf(standing({ price: '1.90' })), { ours: () => true })
  // what is counted in it waits with it: 1.90 of one is not 2.40 of the other
  assert.deepEqual(ofProducts(stays), [])
  assert.match(
    stays.byHand.map(({ text }) => text).join(),
    /price of the product “Bean” stays as it is: the file counts in GBP, and the site in EUR/,
  )
  const none = compare(
    plan,
    inventoryOf({ ...standing({}), products: [{ id: 9, item: { name: 'Mug', slug: 'mug', sku: 'MUG' } }] }),
    {},
  )
  assert.ok(!none.differences.some(({ area }) => area === 'products'))
  assert.match(none.byHand.map(({ text }) => text).join(), /the product “Bean” is not made: the file counts in GBP/)
  assert.match(
    stays.byHand.find(({ ref }) => ref === 'store.currency')?.text ?? '',
    /prices would stay as they are and mean something else/,
  )
  const shipped = compare(plan, inventoryOf(standing({ sku: 'SAMPLE' }, 'shipped')), {})
  assert.deepEqual(
    shipped.differences.flatMap((one) => (one.area === 'store' && one.is === 'different' ? one.fields : [])),
    ['currency'],
  )
})

test('above 200 products a sample is looked at, and that is said', () => {
  const items = Array.from({ length: 500 }, (_, index) => ({
    name: `Bean ${index}`,
    slug: `b${index}`,
    sku: `S${index}`,
    price: '1',
  }))
  const all = areas.products.expect?.(items, plan, { categories: [] }) ?? []
  assert.equal(all.filter(({ look }) => look === 'product').length, 200)
  assert.match(JSON.stringify(all.find(({ look }) => look === 'beyond')), /300 more products.*of 500 products, 200/)
})

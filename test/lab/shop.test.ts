import assert from 'node:assert/strict'
import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { test } from 'node:test'
import { builtIn, chooseAll, compareSite, confirm, settle, survey, undo } from 'unpack'
import { failed } from '../help/failed.js'
import { folder } from '../help/folders.js'
import { labShop } from '../help/lab-shop.js'
import { handsOn } from '../help/shop-hands.js'

const root = folder()
const shop = await labShop('shop')
const { address } = shop
const { fresh, seeds, one, lines } = handsOn(shop, root)
const skus = () => lines("select sku || ' ' || trim_scale(price) || ' ' || status from product order by sku")

test('the seed library on the real shop: settled and confirmed, an order to the planned total, a second run writes nothing', async () => {
  const options = await fresh()
  const found = await survey(address, { systems: builtIn })
  assert.deepEqual([found.standing, found.safe, found.findings.system?.id], ['fresh', true, 'evershop'])
  const baseline = seeds()
  const done = await settle(baseline, options)
  assert.deepEqual([done.failed, failed(done.checks)], [[], []])
  const before = shop.writes().length
  assert.deepEqual((await settle(baseline, { ...options, confirm: false })).comparison.differences, [])
  assert.deepEqual(shop.writes().slice(before), [])
  const tried = await confirm(baseline, { ...options, try: true })
  assert.deepEqual(failed(tried.checks), [])
  const order = tried.checks.find(({ name }) => name.startsWith('a stranger orders'))
  assert.match(`${order?.outcome} ${order?.detail}`, /^passed order 10001 came to 5\.90; it was cancelled/)
  assert.equal(shop.sql('select status from "order"').trim(), 'canceled')
  // whoever knows its long number is shown it: it is in no record
  const long = shop.sql('select uuid from "order"').trim()
  for (const folder of [options.records, options.state])
    for (const file of readdirSync(folder, { recursive: true, withFileTypes: true }).filter((one) => one.isFile()))
      assert.ok(!readFileSync(join(file.parentPath, file.name), 'utf8').includes(long), file.name)
  // a price that the owner has changed is theirs: the order comes to another total, and only what the file itself asks for fails
  shop.sql("update product set price = 3.10 where sku = 'SQ-0001'")
  const kept = await confirm(baseline, { ...options, try: true })
  assert.deepEqual(
    kept.checks.filter(({ outcome }) => outcome === 'failed').map(({ name }) => name),
    ['the product “Runner bean "Harbour Light"” shows “2.40”'],
  )
  assert.match(kept.checks.find(({ name }) => name.startsWith('a stranger orders'))?.detail ?? '', /came to 6\.60/)
})

/** Each variant, with what it is chosen by and whether lists show it, and the group it stands in by those beside it. */
const VARIANTS = `select p.sku || ' ' || p.visibility || ' ' || string_agg(i.option_text, ',') || ' ' ||
  (select string_agg(o.sku, ',' order by o.sku) from product o where o.variant_group_id = p.variant_group_id)
  from product p join product_attribute_value_index i using (product_id) group by p.product_id order by p.sku`

/** Every tenth stop where there is time, every thirtieth in the check. */
const APART = process.env.UNPACK_ALL_STOPS === '1' ? 10 : 30

test('stopped among its writes: the next run ends in the same state, no product twice, no picture left over', async () => {
  const whole = await fresh()
  assert.deepEqual((await settle(seeds(), { ...whole, confirm: false })).failed, [])
  const total = shop.writes().length
  const state = () => [
    ...skus(),
    ...lines('select url_key from category_description order by url_key'),
    ...lines('select name from core_shipping_method order by name'),
    ...lines('select count(*) from core_shipping_method_rate'),
    ...lines('select name, count(*) from tax_rate group by name order by name'),
    ...lines('select name from widget_instance order by name'),
    ...lines(VARIANTS),
  ]
  const expected = state()
  for (let at = 5; at < total; at += APART) {
    const options = await fresh()
    const stop = new AbortController()
    shop.before.watch = (_number, when) => {
      if (when === 'after' && shop.writes().length >= at) stop.abort()
    }
    await settle(seeds(), { ...options, confirm: false, signal: stop.signal }).catch(() => undefined)
    shop.before.watch = undefined
    const done = await settle(seeds(), { ...options, confirm: false })
    assert.deepEqual(done.failed, [], `stopped after ${at}`)
    assert.deepEqual((await compareSite(seeds(), options)).comparison.differences, [], `stopped after ${at}`)
    assert.deepEqual(state(), expected, `stopped after ${at}`)
  }
})

const apron =
  (first = '', more = '') =>
  (text: string) =>
    text.replace('{ product: SQ-0001, shows: "2.40" }', '{ product: AP-M, shows: "19.00" }').replace(
      'products: { from: files/products.csv }',
      `products:
  - name: Apron
    slug: apron
    categories: [tools]
    price: "18.00"
    options: { size: [S, M, L] }
    variants:
      - { sku: AP-S, options: { size: S }, stock: 3${first} }
      - { sku: AP-M, options: { size: M }, price: "19.00", stock: 2 }
      - { sku: AP-L, options: { size: L }, stock: 1 }${more}`,
    )

test('variants: stopped behind each write they end the same; the one that lists show hands that over when it is hidden', async () => {
  const options = await fresh()
  assert.deepEqual((await settle(seeds(apron()), { ...options, confirm: false })).failed, [])
  const expected = lines(VARIANTS)
  assert.deepEqual(expected, [
    'AP-L false L AP-L,AP-M,AP-S',
    'AP-M false M AP-L,AP-M,AP-S',
    'AP-S true S AP-L,AP-M,AP-S',
  ])
  const places = shop.writes().flatMap((line, at) => (/attributes|variantGroups|products/.test(line) ? [at + 1] : []))
  assert.equal(places.length, 1 + 3 + 1 + 3)
  const hidden = seeds(apron(', state: hidden'))
  const done = await settle(hidden, options)
  assert.deepEqual([done.failed, failed(done.checks)], [[], []])
  assert.deepEqual(lines("select sku from product where visibility and sku like 'AP%'"), ['AP-M'])
  assert.deepEqual((await compareSite(hidden, options)).comparison.differences, [])
  for (const at of places) {
    const own = await fresh()
    const stop = new AbortController()
    shop.before.watch = (_number, when) => {
      if (when === 'after' && shop.writes().length >= at) stop.abort()
    }
    await settle(seeds(apron()), { ...own, confirm: false, signal: stop.signal }).catch(() => undefined)
    shop.before.watch = undefined
    const again = await settle(seeds(apron()), { ...own, confirm: false })
    assert.deepEqual(again.failed, [], `stopped after ${at}`)
    assert.deepEqual(lines(VARIANTS), expected, `stopped after ${at}`)
  }
})

test('undo: a category, a product and one of two variants are given back as they were', async () => {
  const options = { ...(await fresh()), confirm: false }
  assert.deepEqual((await settle(seeds(), options)).failed, [])
  const state = () => [
    ...lines(VARIANTS),
    ...lines("select url_key || ' ' || name || ' ' || coalesce(description, '-') from category_description order by 1"),
    ...lines(
      `select concat_ws('|', sku, url_key, name, price, weight, status, qty, tax_class, regexp_replace(description, '(id|time)":[^,}]*', '', 'g'))
        from product join product_description on product_id = product_description_product_id
        join product_inventory on product_id = product_inventory_product_id order by sku`,
    ),
    ...lines(
      'select sku, origin_image from product join product_image on product_id = product_image_product_id order by 1, 2',
    ),
  ]
  const before = state()
  const gone = seeds(
    (text) =>
      text
        .replace('      - { name: Sea kale, slug: sea-kale-seeds }\n', '')
        .replace(
          'shipped: remove',
          'shipped: remove\ngone: { products: [SQ-0004, SQ-0010-S], categories: [sea-kale-seeds] }',
        ),
    (table) =>
      table
        .split('\n')
        .filter((row) => !/^SQ-0004|^SQ-0010-S/.test(row))
        .join('\n'),
  )
  const done = await settle(gone, { ...options, choose: chooseAll })
  assert.deepEqual(
    [done.failed, done.settled.sort()],
    [[], ['categories/sea-kale-seeds', 'products/SQ-0004', 'products/SQ-0010-S']],
  )
  assert.equal(one("select visibility from product where sku = 'SQ-0010-M'"), 't', 'it leads the list now')
  const given = await undo(seeds(), done.record ?? '', options)
  assert.deepEqual(given.failed, [])
  assert.deepEqual(
    state().map((line) => line.replace(/SQ-0010-(.) (true|false)/, 'SQ-0010-$1')),
    before.map((line) => line.replace(/SQ-0010-(.) (true|false)/, 'SQ-0010-$1')),
  )
})

test('menus at the head and at the foot, with categories, pages and links, in their order; changed, and emptied', async () => {
  const options = await fresh()
  const link = '{ label: Tide tables, link: "https://tides.example/?a=1&b=2" }'
  const plan = (footer: string) =>
    seeds((text) => text.replace('menus: # exactly\n', `menus:\n  footer: [${footer}]\n`))
  for (const footer of [
    `{ page: about, label: About us }, { category: tools }, ${link}`,
    `${link}, { page: about }`,
    '',
  ]) {
    const done = await settle(plan(footer), options)
    assert.deepEqual([done.failed, failed(done.checks)], [[], []], footer)
    const found = done.checks.filter(({ name }) => name.startsWith('visitors find the menu')).map(({ name }) => name)
    assert.equal(found.length, footer === '' ? 1 : 2, found.join())
    assert.deepEqual((await compareSite(plan(footer), options)).comparison.differences, [])
  }
  const told = await compareSite(
    seeds((text) => text.replace('  main: [', '  attic: [')),
    options,
  )
  assert.match(told.comparison.never.map(({ text }) => text).join(), /“attic”; it has: main, footer/)
})

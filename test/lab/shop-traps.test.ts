import assert from 'node:assert/strict'
import { test } from 'node:test'
import { compareSite, confirm, settle } from 'unpack'
import { folder } from '../help/folders.js'
import { labShop, shopOwner } from '../help/lab-shop.js'
import { manyProducts, seedBaseline } from '../help/seeds.js'
import { planned } from '../help/plan.js'
import { handsOn } from '../help/shop-hands.js'

const root = folder()
const shop = await labShop('shop-traps')
const { address } = shop
const { fresh, seeds, ask, asOwner, one } = handsOn(shop, root)

test('what this system does without our defences: 500 for a taken key, a change that clears, a second cancel, a category that takes others along', async () => {
  const options = await fresh()
  assert.deepEqual((await settle(seeds(), { ...options, confirm: false })).failed, [])
  const as = await asOwner()
  const uuid = one("select uuid from product where sku = 'SQ-0001'")
  // a key that is taken: a failure of the server, not a refusal
  const taken = await ask(
    'POST',
    'api/categories',
    {
      name: 'T',
      url_key: 'tools',
      status: 1,
      description: [],
      meta_title: 'T',
      meta_description: 'T',
      meta_keywords: '',
      show_products: 1,
    },
    as,
  )
  assert.deepEqual([taken.status, /duplicate key/.test(taken.text)], [500, true])
  // a change of one key clears others
  assert.equal((await ask('PATCH', `api/products/${uuid}`, { price: 2.4 }, as)).status, 200)
  assert.equal(
    one(
      "select coalesce(tax_class::text, 'none') || ' ' || coalesce(category_id::text, 'none') from product where sku = 'SQ-0001'",
    ),
    'none none',
  )
  // what cleared them was nobody of ours: it is put back where its owner asks for the plan
  const mended = await settle(seeds(), { ...options, confirm: false, again: true })
  assert.deepEqual([mended.failed, mended.settled], [[], ['products/SQ-0001']])
  // ours changes one key, and leaves those as they stand
  const other = seeds(undefined, (rows) => rows.replace('2.40', '2.45'))
  assert.deepEqual((await settle({ ...other, checks: [] }, { ...options, confirm: false })).failed, [])
  assert.doesNotMatch(
    one(
      "select coalesce(tax_class::text, 'none') || ' ' || coalesce(category_id::text, 'none') from product where sku = 'SQ-0001'",
    ),
    /none/,
  )
  // an option that is sent with its new values alone loses the others, of every product
  const sizes = () =>
    one("select string_agg(option_text, ' ' order by option_text) from attribute_option where attribute_code = 'size'")
  assert.equal(sizes(), 'M S SM XL XXL')
  const size = one("select uuid from attribute where attribute_code = 'size'")
  await ask(
    'PATCH',
    `api/attributes/${size}`,
    { attribute_name: 'Size', options: [{ option_text: 'L' }], groups: [1] },
    as,
  )
  assert.equal(sizes(), 'L', 'what the system does')
  // the products that had them are in no list any more: they are found by their numbers, and mended
  const plan = { ...other, checks: [] }
  const lost = await compareSite(plan, { ...options, again: true })
  assert.deepEqual(
    lost.comparison.differences.map((of) => [of.ref, of.is === 'different' && of.fields]),
    [
      ['products/SQ-0010-S', ['slug', 'options']],
      ['products/SQ-0010-M', ['slug', 'options', 'state']],
    ],
  )
  assert.deepEqual((await settle(plan, { ...options, confirm: false, again: true })).failed, [])
  assert.equal(sizes(), 'L M S')
  // a token reads as a visitor: what is hidden is not in its lists
  const { email, password } = shopOwner
  const { data } = await ask('POST', 'api/user/tokens', { email, password })
  const list = { query: '{ products(filters: [{ key: "limit", operation: eq, value: "100" }]) { items { sku } } }' }
  const listed = async (who: Record<string, string>) =>
    ((await ask('POST', 'api/admin/graphql', list, who)).data.data?.products?.items ?? []).map(({ sku }) => sku)
  const token = await listed({ authorization: `Bearer ${data.data?.accessToken ?? ''}` })
  const cookie = await listed(as)
  assert.deepEqual([token.includes('SQ-0008'), cookie.includes('SQ-0008')], [false, true])
  // a second cancel puts the stock back a second time; ours cancels once
  const stock = () =>
    Number(
      one(
        "select qty from product_inventory join product on product_id = product_inventory_product_id where sku = 'SQ-0001'",
      ),
    )
  const before = stock()
  await confirm(other, { ...options, try: true })
  assert.equal(stock(), before)
  await ask('POST', `api/orders/${one('select uuid from "order" limit 1')}/cancel`, { reason: 'again' }, as)
  assert.ok(stock() > before, 'what the system does with a second cancel')
  // a category that goes takes along what stands below it; ours keeps it as long as that stays
  const kept = await compareSite(
    { ...other, categories: other.categories?.slice(1), gone: { categories: ['vegetables'] } },
    options,
  )
  assert.match(
    kept.comparison.kept.map(({ text }) => text).join(),
    /“Vegetables” holds the category “(?:Beans|Sea kale)”/,
  )
  await ask(
    'DELETE',
    `api/categories/${one("select uuid from category join category_description on category_id = category_description_category_id where url_key = 'vegetables'")}`,
    undefined,
    as,
  )
  assert.equal(one("select count(*) from category_description where url_key = 'beans'"), '0', 'what the system does')
})

test('names that look like tags are told before anything is sent; a customer makes it a shop in use, and stays unread', async () => {
  const options = await fresh()
  const tagged = seedBaseline(address, (text) =>
    text
      .replace('name: Tools', 'name: <b>Tools</b>')
      .replace('in this order\n', 'in this order\n  - { name: What you chose, slug: cart }\n')
      .replace('ines@seeds.example', shopOwner.email),
  )
  const { comparison } = await compareSite(tagged, options)
  const told = comparison.never.map(({ ref, text }) => `${ref} ${text}`).join('\n')
  assert.match(told, /categories\/tools name .*garbled/)
  // what it shows there in place of the category
  assert.match(told, /categories\/cart slug .*a page of its own at that address/)
  const made = await ask('POST', 'api/customers', {
    email: 'gwen@tide.example',
    password: 'Kelp-and-limpet-41',
    full_name: 'Gwen Tide',
  })
  assert.match(made.text, /\$2[aby]\$/, 'what the system answers to whoever registers: the hash of a password')
  const found = await compareSite(seeds(), options)
  assert.deepEqual(found.comparison.others, ['orders/customers'])
  assert.doesNotMatch(JSON.stringify(found.comparison), /Gwen|gwen/)
  await assert.rejects(confirm(seeds(), { ...options, try: true }), { code: 'trial-in-use' })
})

test('the limits of the site are waited out by what it says, and sign-ins stay few', async () => {
  const options = await fresh()
  shop.limits(true)
  try {
    const waits: number[] = []
    const baseline = manyProducts(address, 130)
    const done = await settle(
      { ...baseline, owner: { ...baseline.owner, email: shopOwner.email } },
      {
        ...options,
        confirm: false,
        on: (event) => {
          if (event.is === 'waiting') waits.push(event.seconds)
        },
      },
    )
    assert.deepEqual(done.failed, [])
    assert.ok(waits.length >= 1 && waits.every((seconds) => seconds <= 60), waits.join())
    assert.equal(shop.sql('select count(*) from product').trim(), '130')
    // nine readings, one sign-in: an eighth in a quarter of an hour would be the last
    for (let time = 0; time < 9; time += 1)
      await compareSite({ ...baseline, owner: { ...baseline.owner, email: shopOwner.email } }, options)
    assert.equal(shop.before.passed.filter(({ url }) => url === '/admin/user/login').length, 1)
    // a session that has ended is renewed
    shop.sql('delete from session')
    assert.deepEqual(
      (await compareSite({ ...baseline, owner: { ...baseline.owner, email: shopOwner.email } }, options)).comparison
        .differences,
      [],
    )
    for (let time = 0; time < 8; time += 1)
      await ask('POST', 'admin/user/login', { email: 'x@tide.example', password: 'no' })
    shop.sql('delete from session')
    await assert.rejects(compareSite(baseline, options), { code: 'sign-in-waits' })
  } finally {
    shop.limits(false)
  }
})

test('a way of shipping goes from each of its forms to each other; a form that this system lacks is refused, and nothing becomes free', async () => {
  const options = { ...(await fresh()), confirm: false, inUse: true }
  const weights = 'byWeight: [{ from: "0", price: "3.00" }, { from: "2", price: "6.00" }]'
  const forms = ['price: "4.00"', 'price: "5.00", freeFrom: "30.00"', weights]
  const plan = (form: string) =>
    planned(
      address,
      `store: { currency: GBP, prices: before tax, shipsTo: [GB], shipping: [{ name: Van, countries: [GB], ${form} }] }`,
      {},
      `username: ${shopOwner.username}, email: ${shopOwner.email}`,
    )
  // every pair of them, once
  for (const at of [0, 1, 0, 2, 1, 2, 0]) {
    const form = plan(forms[at] ?? '')
    assert.deepEqual((await settle(form, options)).failed, [], forms[at])
    assert.deepEqual((await compareSite(form, options)).comparison.differences, [], forms[at])
  }
  const rates = () =>
    one(
      "select string_agg(concat_ws('/', cost, price_based_cost, weight_based_cost), ' ') from core_shipping_method_rate",
    )
  const before = rates()
  const { comparison } = await settle(plan(`${weights}, freeFrom: "30.00"`), options)
  assert.match(JSON.stringify(comparison.never), /can’t have a sum from which on it is free beside prices by weight/)
  assert.equal(rates(), before)
})

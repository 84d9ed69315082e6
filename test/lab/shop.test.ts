import assert from 'node:assert/strict'
import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { test } from 'node:test'
import { builtIn, compareSite, confirm, Secret, settle, survey, type Baseline } from 'unpack'
import { folder } from '../help/folders.js'
import { labShop, shopOwner } from '../help/lab-shop.js'
import { manyProducts, seedBaseline } from '../help/seeds.js'
import { ownFolders } from '../help/sites.js'

const root = folder()
const shop = await labShop('shop')
const { address } = shop

/** A fresh shop, with the owner's login stored. */
async function fresh() {
  await shop.reset()
  const options = { systems: builtIn, ...(await ownFolders(root)) }
  await options.logins.put(address, shopOwner.username, new Secret(shopOwner.password))
  return options
}
/** What this system hasn't got of the demo's plan. */
const LEAVE =
  'owner.first, owner.last, store.trade, store.goods, store.size, store.offers, store.shipping.freeFrom, products.salePrice, products.categories'
const seeds = (): Baseline =>
  seedBaseline(address, (text) =>
    text
      .replace('ines@seeds.example', shopOwner.email)
      .replace('shipped: remove', `shipped: remove\nleave: [${LEAVE}]`),
  )
const failed = (checks: readonly { name: string; outcome: string; detail: string }[]) =>
  checks.filter(({ outcome }) => outcome === 'failed').map(({ name, detail }) => `${name}: ${detail}`)
const json = { 'content-type': 'application/json' }
/** Asks as whoever has this cookie or token, behind the back of whatever runs. */
const ask = async (method: string, place: string, body?: unknown, as: Record<string, string> = {}) => {
  const answer = await fetch(new URL(place, address), {
    ...{ method, headers: { ...json, ...as } },
    ...(body !== undefined && { body: JSON.stringify(body) }),
  })
  const text = await answer.text()
  return {
    status: answer.status,
    headers: answer.headers,
    text,
    data: text.startsWith('{') ? (JSON.parse(text) as Data) : {},
  }
}
interface Data {
  data?: { accessToken?: string; uuid?: string; products?: { items: { sku: string }[] } }
  error?: { message: string }
}
const asOwner = async () => {
  const { email, password } = shopOwner
  const { headers } = await ask('POST', 'admin/user/login', { email, password })
  return { cookie: (headers.get('set-cookie') ?? '').split(';')[0] ?? '' }
}
const skus = () =>
  shop.sql("select sku || ' ' || trim_scale(price) || ' ' || status from product order by sku").trim().split('\n')

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

/** Every tenth stop where there is time, every thirtieth in the check. */
const APART = process.env.UNPACK_ALL_STOPS === '1' ? 10 : 30

test('stopped among its writes: the next run ends in the same state, no product twice, no picture left over', async () => {
  const whole = await fresh()
  assert.deepEqual((await settle(seeds(), { ...whole, confirm: false })).failed, [])
  const total = shop.writes().length
  const state = () => [
    ...skus(),
    ...shop.sql('select url_key from category_description order by url_key').trim().split('\n'),
    ...shop.sql('select name from core_shipping_method order by name').trim().split('\n'),
    ...shop.sql('select count(*) from core_shipping_method_rate').trim().split('\n'),
    ...shop.sql('select name, count(*) from tax_rate group by name order by name').trim().split('\n'),
    ...shop.sql('select name from widget_instance order by name').trim().split('\n'),
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

test('what this system does without our defences: 500 for a taken key, a change that clears, a second cancel, a category that takes others along', async () => {
  const options = await fresh()
  assert.deepEqual((await settle(seeds(), { ...options, confirm: false })).failed, [])
  const as = await asOwner()
  const one = (sql: string) => shop.sql(sql).trim()
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
  const mended = await settle(seeds(), { ...options, confirm: false })
  assert.deepEqual([mended.failed, mended.settled], [[], ['products/SQ-0001']])
  // ours changes one key, and leaves those as they stand
  const other = seedBaseline(
    address,
    (text) =>
      text
        .replace('ines@seeds.example', shopOwner.email)
        .replace('shipped: remove', `shipped: remove\nleave: [${LEAVE}]`),
    (rows) => rows.replace('2.40', '2.45'),
  )
  assert.deepEqual((await settle({ ...other, checks: [] }, { ...options, confirm: false })).failed, [])
  assert.doesNotMatch(
    one(
      "select coalesce(tax_class::text, 'none') || ' ' || coalesce(category_id::text, 'none') from product where sku = 'SQ-0001'",
    ),
    /none/,
  )
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
    text.replace('name: Tools', 'name: <b>Tools</b>').replace('ines@seeds.example', shopOwner.email),
  )
  const { comparison } = await compareSite(tagged, options)
  assert.match(comparison.never.map(({ ref, text }) => `${ref} ${text}`).join('\n'), /categories\/tools name .*garbled/)
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

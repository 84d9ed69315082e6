import assert from 'node:assert/strict'
import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { after, test } from 'node:test'
import { compareSite, confirm, Secret, settle, survey, undo, type System } from 'unpack'
import { standInShopSystem } from '../../stand-ins/shop/adapter/index.js'
import { standInShop, type StandInShopOptions } from '../../stand-ins/shop/server/index.js'
import type { ShopFault } from '../../stand-ins/shop/server/model.js'
import { long } from '../help/long.js'
import { folder } from '../help/folders.js'
import { manyProducts, seedBaseline } from '../help/seeds.js'
import { ownFolders, writesAt } from '../help/sites.js'

const root = folder()
const open: { close(): Promise<void> }[] = []
after(() => Promise.all(open.map((one) => one.close())))
const owner = { username: 'marlow', password: 'harbour-light-41' }

async function running(options: StandInShopOptions = {}) {
  const standIn = standInShop({ owner, ...options })
  open.push(standIn)
  const address = await standIn.listen(0)
  const folders = await ownFolders(root)
  if (options.standing) await folders.logins.put(address, owner.username, new Secret(owner.password))
  return { standIn, shop: standIn.shop, address, options: { systems: [standInShopSystem as System], ...folders } }
}
type Running = Awaited<ReturnType<typeof running>>
/** A shop that is settled. */
async function settled(
  change?: (text: string) => string,
): Promise<Running & { baseline: ReturnType<typeof seedBaseline> }> {
  const site = await running()
  const baseline = seedBaseline(site.address, change)
  const done = await settle(baseline, { ...site.options, confirm: false })
  assert.deepEqual(done.failed, [])
  return { ...site, baseline }
}
const tried = async ({ options, baseline }: Awaited<ReturnType<typeof settled>>) => {
  const { checks } = await confirm(baseline, { ...options, try: true })
  return checks
    .filter(({ name }) => name.includes('stranger orders') || name.includes('turned away'))
    .map(({ outcome, detail }) => `${outcome}: ${detail}`)
}

test(
  'the seed library from its set-up: questions answered, extras declined, products from the table; a second run writes nothing',
  long,
  async () => {
    const { standIn, shop, address, options } = await running()
    assert.deepEqual([(await survey(address, options)).standing], ['first-run'])
    const baseline = seedBaseline(address)
    const done = await settle(baseline, options)
    assert.deepEqual([done.failed, done.checks.filter(({ outcome }) => outcome === 'failed')], [[], []])
    const { trade, goods, size, extras, currency, pretendedOn } = shop.settings
    assert.deepEqual([trade, goods, size, currency], [['seeds', 'garden tools'], ['posted'], 500, 'GBP'])
    assert.deepEqual([extras, pretendedOn], [[], false], 'what was pushed is declined')
    const bean = shop.products.find(({ sku }) => sku === 'SQ-0001')
    assert.deepEqual([bean?.price, bean?.stock, bean?.pictures.length], ['2.40', 120, 1])
    assert.deepEqual([shop.products.length, shop.categories.length, shop.shipping.length], [10, 5, 2])
    const before = writesAt(standIn)
    assert.deepEqual((await settle(baseline, options)).comparison.differences, [])
    assert.equal(writesAt(standIn), before)
  },
)

test('an extra that is named is taken; the others are not', async () => {
  const { shop } = await settled((text) => text.replace('accept: []', 'accept: [paid listing]'))
  assert.deepEqual(shop.settings.extras, ['paid listing'])
})

test(
  'a stranger’s order: its total to the cent, elsewhere turned away, cancelled once, stock as before; every fault of the shop is reported',
  long,
  async () => {
    const site = await settled()
    const { shop } = site
    const [ordered, away] = await tried(site)
    assert.match(ordered ?? '', /^passed: order 10001 came to 5\.90; it was cancelled, and the stock is as before$/)
    assert.match(away ?? '', /^passed: We do not ship to there/)
    assert.deepEqual(
      [shop.orders.map(({ state }) => state), shop.products.find(({ sku }) => sku === 'SQ-0001')?.stock],
      [['cancelled'], 120],
    )
    const wrong: [ShopFault, RegExp][] = [
      ['a cent off', /^failed: order \d+ came to 5\.91/],
      ['ships anywhere', /failed: order \d+ came to/],
    ]
    for (const [fault, what] of wrong) {
      shop.faults.add(fault)
      assert.match((await tried(site)).join('\n'), what, fault)
      shop.faults.delete(fault)
    }
    assert.ok(shop.orders.every(({ state }) => state === 'cancelled'))
    assert.equal(shop.products.find(({ sku }) => sku === 'SQ-0001')?.stock, 120)
    shop.faults.add('stock back twice')
    assert.match((await tried(site))[0] ?? '', /^passed/, 'it is cancelled once')
    assert.equal(shop.products.find(({ sku }) => sku === 'SQ-0001')?.stock, 120)
    // with a price that was kept, the total is another
    Object.assign(shop.products.find(({ sku }) => sku === 'SQ-0001') ?? {}, { price: '3.00' })
    assert.match((await tried(site))[0] ?? '', /^passed: order \d+ came to 6\.50/)
  },
)

test('somebody’s order makes it a shop in use: nothing is tried there, nothing of it is kept anywhere', async () => {
  const site = await settled()
  const { shop, baseline, options } = site
  shop.orders.push({
    ...{
      id: 900,
      number: 777_123,
      state: 'placed',
      lines: [],
      total: '1.00',
      name: 'Gwen Tide',
      email: 'gwen@tide.example',
    },
    ...{ country: 'GB', shipping: 'Van', payment: 'cash' },
  })
  await assert.rejects(confirm(baseline, { ...options, try: true }), { code: 'trial-in-use' })
  await assert.rejects(settle({ ...baseline, site: { ...baseline.site, title: 'Other' } }, options), { code: 'in-use' })
  const { comparison } = await compareSite(baseline, options)
  assert.deepEqual(comparison.others, ['orders/orders'])
  assert.deepEqual(shop.orders.at(-1)?.state, 'placed')
  for (const base of [options.records, options.state])
    for (const file of readdirSync(base, { recursive: true, withFileTypes: true }).filter((one) => one.isFile()))
      assert.doesNotMatch(readFileSync(join(file.parentPath, file.name), 'utf8'), /Gwen|gwen@|777.?123/, file.name)
})

test('a trial cancels what bears its mark: a page of thanks from a store of pages may be another customer’s', async () => {
  const site = await settled()
  const { shop, baseline, options, standIn } = site
  const gwen = {
    ...{ id: 900, number: 777_123, state: 'placed' as const, lines: [], total: '1.00', name: 'Gwen Tide' },
    ...{ email: 'gwen@tide.example', country: 'GB', shipping: 'Royal-blue van', payment: 'cash' },
  }
  standIn.tamper = (_url, html) => {
    // her order comes in while ours is placed, and her page of thanks is the one that is shown
    if (!html.includes('id="thanks"')) return html
    if (!shop.orders.includes(gwen)) shop.orders.push(gwen)
    return html.replace(/data-number="\d+"/, 'data-number="777123"')
  }
  await confirm(baseline, { ...options, try: true })
  standIn.tamper = undefined
  assert.equal(gwen.state, 'placed')
  assert.ok(shop.orders.some(({ email, state }) => email.endsWith('@trial.example') && state === 'cancelled'))
})

test('what shipping costs follows the file through every form: by weight, one price, free from a sum', async () => {
  const site = await settled()
  const van = () => site.shop.shipping.find(({ name }) => name === 'Royal-blue van')
  const forms: [string, object][] = [
    ['byWeight: [{ from: "0", price: "3.50" }, { from: "2", price: "6.00" }]', { weights: ['0 3.50', '2 6.00'] }],
    ['price: "4.00"', { price: '4.00', weights: [] }],
    ['price: "4.00", freeFrom: "30.00"', { price: '4.00', freeFrom: '30.00', weights: [] }],
    ['byWeight: [{ from: "0", price: "3.00" }], freeFrom: "50.00"', { freeFrom: '50.00', weights: ['0 3.00'] }],
    ['price: "2.00", freeFrom: "20.00"', { price: '2.00', freeFrom: '20.00', weights: [] }],
  ]
  for (const [form, stands] of forms) {
    const plan = seedBaseline(site.address, (text) =>
      text.replace('price: "3.50", countries: [GB], freeFrom: "40.00"', `${form}, countries: [GB]`),
    )
    const done = await settle(plan, { ...site.options, confirm: false })
    assert.deepEqual([done.failed, done.open], [[], []], form)
    assert.deepEqual({ ...van(), ...stands }, van(), form)
    assert.equal((await settle(plan, { ...site.options, confirm: false })).writes, 0, form)
  }
})

test('a currency that the owner changes during a run: no price is written into it from then on', async () => {
  const { shop, options, baseline } = await settled()
  const dearer = seedBaseline(baseline.site.address, (text) => text.replace('price: "3.50"', 'price: "4.50"'))
  const van = () => shop.shipping.map(({ price }) => price)
  const before = van()
  const done = await settle(dearer, {
    ...{ ...options, confirm: false },
    on: ({ is }) => {
      if (is === 'to do') shop.settings.currency = 'JPY'
    },
  })
  assert.deepEqual(
    done.failed.map(({ ref, text }) => [ref, /counts in JPY now, and these numbers are in GBP/.test(text)]),
    [['shipping/Royal-blue van', true]],
  )
  assert.deepEqual(van(), before)
})

test('undo restores no product into another currency than the one that it was counted in', async () => {
  const { shop, options, address } = await running()
  const done = await settle(seedBaseline(address), { ...options, confirm: false })
  assert.ok(done.record !== undefined)
  const products = shop.products.length
  shop.settings.currency = 'JPY'
  const undone = await undo(seedBaseline(address), done.record, options)
  const refused = undone.failed.filter(({ why }) => /its numbers are in GBP, and the site counts in JPY now/.test(why))
  assert.deepEqual([refused.length > 0, shop.products.length], [true, products])
  shop.settings.currency = 'GBP'
  const isProduct = ({ ref }: { ref: string }) => ref.startsWith('products/')
  const second = await undo(seedBaseline(address), done.record, options)
  assert.ok(refused.every(({ ref }) => second.again.includes(ref)))
  assert.equal(shop.products.length, products + refused.filter(isProduct).length)
})

test('samples go only where nobody touched them: an edited one, and a shelf that holds somebody’s product, stay', async () => {
  const site = await running({ standing: 'fresh' })
  const { shop, options } = site
  assert.equal((await survey(site.address, options)).standing, 'fresh')
  const [mug] = shop.products
  if (mug) Object.assign(mug, { price: '11.00', edited: new Date().toISOString() })
  const done = await settle(seedBaseline(site.address), { ...options, confirm: false })
  assert.deepEqual(done.failed, [])
  assert.deepEqual(
    shop.products.flatMap(({ sku }) => (sku.startsWith('SAMPLE') ? [sku] : [])),
    ['SAMPLE-1'],
  )
  assert.deepEqual(
    shop.categories.flatMap(({ slug }) => (['odds', 'ends'].includes(slug) ? [slug] : [])),
    ['odds'],
  )
  const kept = done.comparison.kept.map(({ text }) => text).join('\n')
  assert.match(kept, /“A sample mug” shipped with the system and was edited since/)
  assert.match(kept, /“Odds” shipped, but contains something else/)
})

test('a category that goes takes none along that stay: where the system would, it is kept, and told', async () => {
  const site = await settled()
  const { shop, baseline, options } = site
  shop.faults.add('takes what stands below along')
  const [vegetables, ...others] = baseline.categories ?? []
  const top = [...(vegetables?.under ?? []), ...others]
  const plan = { ...baseline, menus: undefined, categories: top, gone: { categories: ['vegetables'] } }
  // both are moved to the top first
  assert.deepEqual((await settle(plan as typeof baseline, { ...options, confirm: false })).failed, [])
  assert.ok(shop.categories.some(({ slug }) => slug === 'beans'))
  assert.ok(!shop.categories.some(({ slug }) => slug === 'vegetables'))
  shop.categories.push({
    ...(shop.categories[0] as (typeof shop.categories)[0]),
    id: 990,
    slug: 'mine',
    name: 'Mine',
    parent: shop.categories.find(({ slug }) => slug === 'tools')?.id ?? 0,
  })
  const without = {
    ...plan,
    categories: top.filter(({ slug }) => slug !== 'tools'),
    gone: { categories: ['tools'] },
  } as typeof baseline
  const { comparison } = await compareSite(without, options)
  assert.match(comparison.kept.map(({ text }) => text).join(), /“Tools” holds the category “Mine”: it stays/)
})

test(
  'of 5,000 products each is made once, with its price; above 200 a sample is looked at, and that is said',
  long,
  async () => {
    const { shop, address, options } = await running()
    const baseline = manyProducts(address, 1000)
    const done = await settle(baseline, options)
    assert.deepEqual([done.failed.length, done.checks.filter(({ outcome }) => outcome === 'failed')], [0, []])
    assert.equal(shop.products.length, 1000)
    const beyond = done.checks.find(({ name }) => name === 'the pages of 800 more products')
    assert.deepEqual([beyond?.outcome, /of 1000 products, 200/.test(beyond?.detail ?? '')], ['not looked at', true])
  },
)

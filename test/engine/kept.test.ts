import assert from 'node:assert/strict'
import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { after, test } from 'node:test'
import { confirm, Secret, settle, undo, type RunOptions, type System } from 'unpack'
import { standInContentSystem } from '../../stand-ins/content/adapter/index.js'
import { standInContent } from '../../stand-ins/content/server/index.js'
import { standInShopSystem } from '../../stand-ins/shop/adapter/index.js'
import { standInShop } from '../../stand-ins/shop/server/index.js'
import { troubled } from '../../stand-ins/faults/proxy.js'
import { long } from '../help/long.js'
import { folder } from '../help/folders.js'
import { museumBaseline } from '../help/museum.js'
import { planned } from '../help/plan.js'
import { seedBaseline } from '../help/seeds.js'
import { ownFolders, runningStandIn, writesAt } from '../help/sites.js'

const root = folder()
const open: { close(): Promise<unknown> }[] = []
after(() => Promise.all(open.map((one) => one.close())))
const quiet = <O extends RunOptions>(options: O) => ({ ...options, confirm: false })
const later = '2027-03-05T14:07:00.000Z'

async function blog() {
  const site = await runningStandIn(root, { standing: 'first-run' })
  open.push(site)
  return site
}
async function museum() {
  const site = standInContent({ base: '/museum/' })
  open.push(site)
  const address = await site.listen(0)
  const folders = await ownFolders(root)
  await folders.logins.put(address, 'keeper', new Secret('harbour-light-41'))
  return { content: site.content, address, options: quiet({ systems: [standInContentSystem as System], ...folders }) }
}
async function shop() {
  const site = standInShop()
  open.push(site)
  const address = await site.listen(0)
  const options = quiet({ systems: [standInShopSystem as System], ...(await ownFolders(root)) })
  return { site, shop: site.shop, address, options }
}
/** What a record holds of what was written over or removed, as one text. */
const copiesIn = (record = ''): string =>
  readdirSync(join(record, 'removed'))
    .map((name) => readFileSync(join(record, 'removed', name), 'utf8'))
    .join('\n')

test(
  'a text that its owner edited stays in every run, although another key of the item differs as well',
  long,
  async () => {
    const { content, address, options } = await museum()
    await settle(museumBaseline(address), options)
    const edited = [
      content.pages.find(({ slug }) => slug === 'visit'),
      content.pages.find(({ slug }) => slug === 'imprint'),
      content.news[0],
      content.events[0],
    ]
    for (const one of edited) if (one) Object.assign(one, { body: `<p>By hand: ${one.slug}.</p>`, edited: later })
    const plan = museumBaseline(address, (text) =>
      text
        .replace('title: Visit\n', 'title: Visit us\n')
        .replace('slug: imprint,', 'slug: imprint, tags: [law],')
        .replace('title: The tar kettle is back', 'title: The kettle is back')
        .replace('place: The long shed', 'place: The short shed'),
    )
    for (const run of [1, 2, 3]) {
      const done = await settle(plan, options)
      assert.deepEqual(done.failed, [], String(run))
      assert.equal(done.comparison.theirTexts.length, 4, String(run))
      for (const one of edited) assert.equal(one?.body, `<p>By hand: ${one?.slug ?? ''}.</p>`, String(run))
    }
    assert.equal(content.pages.find(({ slug }) => slug === 'visit')?.title, 'Visit us')
    assert.equal(content.events[0]?.place, 'The short shed')
  },
)

test('a shop sends what differs and nothing else: the text of a page is not written over by its title', async () => {
  const { shop: model, address, options } = await shop()
  await settle(seedBaseline(address), options)
  const [page] = model.pages
  assert.ok(page)
  Object.assign(page, { body: '<p>By hand.</p>', edited: later })
  await settle(
    seedBaseline(address, (text) => text.replace('About the library', 'About us')),
    options,
  )
  assert.deepEqual([page.title, page.body], ['About us', '<p>By hand.</p>'])
})

test('values changed by hand stay and are reported: a description, a price of shipping, a setting; --again writes the file’s, and undo gives back what stood there', async () => {
  const { site, shop: model, address, options } = await shop()
  await settle(seedBaseline(address), options)
  const van = model.shipping.find(({ name }) => name === 'Royal-blue van')
  const shelf = model.categories.find(({ slug }) => slug === 'flowers')
  const bean = model.products.find(({ sku }) => sku === 'SQ-0001')
  assert.ok(van && shelf && bean)
  Object.assign(van, { price: '4.20', edited: later })
  Object.assign(shelf, { description: 'For the bees.', edited: later })
  Object.assign(bean, { price: '2.95', edited: later })
  model.settings.title = 'Seeds of the Marsh'
  const before = writesAt(site)
  const kept = await settle(seedBaseline(address), options)
  assert.deepEqual([kept.failed, kept.open, writesAt(site)], [[], [], before])
  assert.deepEqual(kept.comparison.theirKeys.toSorted(), [
    'categories/flowers#description',
    'products/SQ-0001#price',
    'shipping/Royal-blue van#price',
    'site#title',
  ])
  const again = await settle(seedBaseline(address), { ...options, again: true })
  assert.deepEqual(
    [van.price, shelf.description, bean.price, model.settings.title],
    ['3.50', 'What the bees fly out for.', '2.40', 'Saltmarsh Seed Library'],
  )
  for (const text of ['4.20', 'For the bees.', '2.95', 'Seeds of the Marsh'])
    assert.match(copiesIn(again.record), new RegExp(text))
  // what is changed since that run is a later edit: it is not written over
  Object.assign(shelf, { description: 'For hoverflies.', edited: later })
  const back = await undo(seedBaseline(address), again.record ?? '', options)
  assert.deepEqual(
    back.failed.map(({ ref, why }) => [ref, /changed since that run/.test(why)]),
    [['categories/flowers', true]],
  )
  assert.deepEqual(
    [van.price, shelf.description, bean.price, model.settings.title],
    ['4.20', 'For hoverflies.', '2.95', 'Seeds of the Marsh'],
  )
  // given back, they are the owner's as before
  const next = await settle(seedBaseline(address), options)
  assert.deepEqual([next.writes, next.comparison.theirKeys.length], [0, 4])
})

test('the record of another site gives nothing back', async () => {
  const [one, other] = [await blog(), await blog()]
  for (const site of [one, other]) await settle(planned(site.address), quiet(site.options))
  const gone = await settle(planned(one.address, 'shipped: remove'), quiet(one.options))
  const count = other.blog.posts.length
  await assert.rejects(undo(planned(other.address), gone.record ?? '', quiet(other.options)), {
    code: 'record-of-another-site',
    exit: 2,
  })
  assert.equal(other.blog.posts.length, count)
})

test('what a run that died has written is ours, and what its owner wrote behind it is theirs', async () => {
  const { site, shop: model, address } = await shop()
  const proxy = await troubled(Number(new URL(address).port))
  open.push(proxy)
  const at = `http://127.0.0.1:${proxy.port}/`
  const options = quiet({ systems: [standInShopSystem as System], ...(await ownFolders(root)), patience: 1500 })
  await settle(seedBaseline(at), options)
  const price = (sku: string) => model.products.find((one) => one.sku === sku)
  const dearer = (table: string) =>
    table.replace('beans,2.40,', 'beans,2.60,').replace('flowers,1.90,', 'flowers,2.10,')
  // the first price arrives and nobody hears of it
  const bean = model.products.find(({ sku }) => sku === 'SQ-0001')
  proxy.trouble([{ at: `POST /office/products/${bean?.id ?? 0}`, is: 'reset after', times: 9 }])
  await settle(seedBaseline(at, undefined, dearer), options).catch(() => undefined)
  proxy.trouble([])
  const changed = ['SQ-0001', 'SQ-0002'].filter((sku) => ['2.60', '2.10'].includes(price(sku)?.price ?? ''))
  assert.ok(changed.length > 0, 'a price arrived')
  // the plan changes its mind: what the dead run wrote is not taken for the owner's
  const back = await settle(seedBaseline(at), options)
  assert.deepEqual([back.failed, back.comparison.theirKeys], [[], []])
  assert.deepEqual([price('SQ-0001')?.price, price('SQ-0002')?.price], ['2.40', '1.90'])
  assert.ok(writesAt(site) > 0)
})

test('a page that its owner has taken back stays a draft, with the words they wrote since', async () => {
  const site = await blog()
  const rest =
    'pages: [{ title: News, slug: news, body: a.md }, { title: Team, slug: team }]\nmenus: { main: [{ page: news }, { page: team }] }'
  const plan = planned(site.address, rest, { 'a.md': 'The tide is out.' })
  await settle(plan, quiet(site.options))
  const page = site.blog.pages.find(({ slug }) => slug === 'news')
  assert.ok(page)
  Object.assign(page, { state: 'draft', body: '<p>Not for everybody yet.</p>', edited: later })
  const done = await settle(plan, quiet(site.options))
  assert.deepEqual([done.writes, page.state], [0, 'draft'])
  assert.deepEqual(done.comparison.theirKeys.toSorted(), ['pages/news#body', 'pages/news#state'])
  // the menu leads there as planned, and visitors are not expected to see that entry
  assert.equal((await confirm(plan, site.options)).failed, 0)
  // asked for the plan, it would be published with words that are not ours: only by its name
  const shut = await settle(plan, { ...quiet(site.options), again: ['pages/news'] })
  assert.deepEqual([shut.writes, page.state], [0, 'draft'])
  const opened = await settle(plan, { ...quiet(site.options), again: ['pages/news'], open: ['pages/news'] })
  assert.deepEqual([opened.failed, page.state], [[], 'published'])
  assert.match(copiesIn(opened.record), /Not for everybody yet/)
})

test('--open names one thing: a page is not opened by a group of the same name', async () => {
  const site = await blog()
  const plan = planned(site.address, 'pages: [{ title: Rota, slug: rota, body: a.md }]', { 'a.md': 'Saturdays.' })
  await settle(plan, quiet(site.options))
  const page = site.blog.pages.find(({ slug }) => slug === 'rota')
  assert.ok(page)
  Object.assign(page, { state: 'draft', body: '<p>Mine.</p>', edited: later })
  const options = { ...quiet(site.options), again: ['pages/rota'] }
  for (const other of ['groups/rota', 'rota']) {
    const { open: left } = await settle(plan, { ...options, open: [other] })
    assert.deepEqual([left.map(({ ref }) => ref), page.state], [['pages/rota'], 'draft'])
  }
})

test('what shipped and was set otherwise since is no longer as it shipped: it stays', async () => {
  const changes: ((post: { state: string; categories: number[]; date: string; open: boolean }) => void)[] = [
    (post) => (post.state = 'draft'),
    (post) => (post.categories = []),
    (post) => (post.date = '2026-01-01T10:00'),
    (post) => (post.open = false),
  ]
  for (const change of changes) {
    const site = await blog()
    await settle(planned(site.address), quiet(site.options))
    const [post] = site.blog.posts
    assert.ok(post)
    change(post)
    const done = await settle(planned(site.address, 'shipped: { posts: remove }'), quiet(site.options))
    assert.ok(
      site.blog.posts.some(({ id }) => id === post.id),
      String(change),
    )
    assert.match(done.comparison.kept.map(({ text }) => text).join(), /shipped with the system and was edited since/)
  }
})

test('compare and confirm take --again: what people changed is reported, or expected as planned', async () => {
  const site = await blog()
  const plan = planned(site.address, 'pages: [{ title: News, slug: news, body: a.md }]', { 'a.md': 'The tide is out.' })
  await settle(plan, quiet(site.options))
  site.blog.settings.title = 'By hand'
  const usual = await confirm(plan, site.options)
  assert.equal(usual.failed, 0)
  assert.match(usual.notes.map(({ text }) => text).join(), /title was changed since: it stays \(--again=site/)
  assert.ok((await confirm(plan, { ...site.options, again: ['site'] })).failed > 0)
})

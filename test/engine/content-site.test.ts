import assert from 'node:assert/strict'
import { after, test } from 'node:test'
import { compareSite, confirm, Secret, settle, survey, type System } from 'unpack'
import { standInContentSystem } from '../../stand-ins/content/adapter/index.js'
import { standInContent, type StandInContentOptions } from '../../stand-ins/content/server/index.js'
import { long } from '../help/long.js'
import { folder } from '../help/folders.js'
import { inGerman, museumBaseline } from '../help/museum.js'
import { mailServer, ownFolders, writesAt } from '../help/sites.js'

const root = folder()
const open: { close(): Promise<void> }[] = []
after(() => Promise.all(open.map((one) => one.close())))
const keeper = { username: 'boss', password: 'harbour-light-41' }

/** A stand-in content site with the login of whoever looks after its server stored. */
async function running(options: StandInContentOptions = {}) {
  const standIn = standInContent({ base: '/museum/', keeper, ...options })
  open.push(standIn)
  const address = await standIn.listen(0)
  const folders = await ownFolders(root)
  await folders.logins.put(address, keeper.username, new Secret(keeper.password))
  return { standIn, address, options: { systems: [standInContentSystem as System], ...folders } }
}
type Running = Awaited<ReturnType<typeof running>>

const wrongFor = async ({ options }: Running, baseline: ReturnType<typeof museumBaseline>) =>
  (await confirm(baseline, { ...options, again: true })).eyes
    .filter(({ outcome }) => outcome === 'failed')
    .map(({ at, as }) => `${at} ${as}`)
    .sort()

test(
  'the museum from its first run: settled, confirmed through everybody’s eyes, tried, and a second run writes nothing',
  long,
  async () => {
    const { standIn, address, options } = await running()
    const { standing, safe } = await survey(address, options)
    assert.deepEqual([standing, safe], ['first-run', true])
    const baseline = museumBaseline(address)
    const done = await settle(baseline, options)
    assert.deepEqual([done.failed, done.checks.filter(({ outcome }) => outcome === 'failed')], [[], []])
    const before = writesAt(standIn)
    assert.deepEqual((await settle(baseline, options)).comparison.differences, [])
    assert.equal(writesAt(standIn), before)
    // looking opens no form that keeps others out; trying lets go of it again
    const rota = standIn.content.pages.find(({ slug }) => slug === 'rota')
    assert.ok(rota && !standIn.requests.some((line) => line.startsWith(`GET ${new URL(address).pathname}edit/`)))
    const tried = await confirm(baseline, { ...options, try: true })
    assert.equal(tried.failed, 0)
    assert.ok(tried.checks.some(({ name }) => name === 'tried: member hemp can begin to change it in “rota”'))
    assert.equal(rota.lockedBy, undefined)
    assert.equal(standIn.content.pages.length, 10)
  },
)

test(
  'examples, in English and in German: they go; an edited one stays, and so does a stranger’s page',
  long,
  async () => {
    for (const language of ['en', 'de']) {
      const site = await running({ standing: 'fresh', language })
      const { content } = site.standIn
      assert.equal((await survey(site.address, site.options)).standing, 'fresh')
      // asked at the top of its server, it says where it is
      assert.equal((await survey(new URL('/', site.address).href, site.options)).address.base, '/museum/')
      const [, inside] = content.pages
      if (inside) Object.assign(inside, { body: '<p>Mine.</p>', edited: new Date().toISOString() })
      const baseline = museumBaseline(site.address, language === 'de' ? inGerman : undefined)
      const done = await settle(baseline, { ...site.options, inUse: true, confirm: false })
      assert.deepEqual(done.failed, [])
      // what holds someone else's items stays, and on a site in use the rest does too
      assert.deepEqual(
        content.pages.filter(({ id }) => id < 100).map(({ id }) => id),
        [1, 2],
      )
      const other = await running({ standing: 'fresh', language })
      await settle(museumBaseline(other.address, language === 'de' ? inGerman : undefined), other.options)
      const { pages, news, events, settings } = other.standIn.content
      assert.deepEqual(
        [...pages, ...news, ...events].filter(({ id }) => id < 100).map(({ title }) => title),
        [],
        language,
      )
      assert.equal(settings.frontText, '')
    }
  },
)

test('what is opened by hand fails its own cells and those that take it over, and no other', long, async () => {
  const site = await running()
  const baseline = museumBaseline(site.address, (text) =>
    text.replace(
      '    may: { edit: [Volunteers] }',
      '    under: [{ title: Weeks, slug: weeks }, { title: Key, slug: key, state: draft }]',
    ),
  )
  await settle(baseline, { ...site.options, confirm: false })
  assert.deepEqual(await wrongFor(site, baseline), [])
  const bySlug = (slug: string) => site.standIn.content.pages.find((page) => page.slug === slug)
  const [rota, weeks] = [bySlug('rota'), bySlug('weeks')]
  assert.ok(rota && weeks)
  rota.shared.read.push('members')
  assert.deepEqual(await wrongFor(site, baseline), ['rota member tar'])
  weeks.inherit = true
  assert.deepEqual(await wrongFor(site, baseline), ['rota member tar', 'rota/weeks member tar'])
  assert.deepEqual(
    (await compareSite(baseline, { ...site.options, again: true })).comparison.differences.map(({ ref }) => ref),
    ['pages/rota', 'pages/rota/weeks'],
  )
  // as its owner has opened it, it stays until they ask for the plan
  const kept = await settle(baseline, { ...site.options, confirm: false })
  assert.deepEqual([kept.writes, kept.comparison.theirKeys], [0, ['pages/rota#for', 'pages/rota/weeks#for']])
  assert.deepEqual((await settle(baseline, { ...site.options, confirm: false, again: true })).failed, [])
  assert.deepEqual(await wrongFor(site, baseline), [])
  // a page is shown to everybody by its own state, whatever stands above it
  weeks.state = 'published'
  assert.deepEqual(await wrongFor(site, baseline), ['rota/weeks member tar', 'rota/weeks visitor'])
})

/** Every third stop in the check, all where there is time. */
const APART = process.env.UNPACK_ALL_STOPS === '1' ? 1 : 3

test(
  'stopped after any of its writes: the next run ends in the same state, and nothing is closed too late',
  long,
  async () => {
    const state = ({ standIn: { content } }: Running) => [
      ...content.pages.map(({ slug, state, parent, shared }) => `${slug} ${state} ${parent > 0} ${shared.read.length}`),
      ...content.uploads.map(({ name, read }) => `${name} ${read.length}`),
      ...content.accounts.map(({ username, role, groups }) => `${username} ${role} ${groups.length}`),
      ...[...content.news, ...content.events].map(({ slug, state }) => `${slug} ${state}`),
    ]
    const whole = await running()
    await settle(museumBaseline(whole.address), { ...whole.options, confirm: false })
    const [total, expected] = [writesAt(whole.standIn), state(whole).sort()]
    for (let at = 1; at < total; at += APART) {
      const site = await running()
      const { standIn, options } = site
      const baseline = museumBaseline(site.address)
      const stop = new AbortController()
      // the answer is on its way when the run is stopped
      standIn.tamper = (_url, html) => {
        if (writesAt(standIn) >= at) stop.abort()
        return html
      }
      await settle(baseline, { ...options, confirm: false, signal: stop.signal }).catch(() => undefined)
      const rota = standIn.content.pages.find(({ slug }) => slug === 'rota')
      assert.notEqual(rota?.state, 'published', `stopped after ${at}`)
      standIn.tamper = undefined
      const done = await settle(baseline, { ...options, confirm: false })
      assert.deepEqual(done.failed, [], `stopped after ${at}`)
      assert.deepEqual((await compareSite(baseline, options)).comparison.differences, [], `stopped after ${at}`)
      assert.deepEqual(state(site).sort(), expected, `stopped after ${at}`)
      await standIn.close()
    }
  },
)

test('a form that answers as if it had saved is not believed; two first runs at once make one site', async () => {
  const site = await running()
  const { content } = site.standIn
  content.pretends = ['columns/foot']
  const done = await settle(museumBaseline(site.address), { ...site.options, confirm: false })
  assert.deepEqual(
    done.failed.map(({ ref }) => ref),
    ['sidebars/foot'],
  )
  content.pretends = []
  assert.deepEqual((await settle(museumBaseline(site.address), { ...site.options, confirm: false })).failed, [])

  const twice = await running()
  const baseline = museumBaseline(twice.address)
  const others = await ownFolders(root)
  await others.logins.put(twice.address, keeper.username, new Secret(keeper.password))
  await Promise.allSettled([
    settle(baseline, { ...twice.options, confirm: false }),
    settle(baseline, { ...twice.options, ...others, confirm: false }),
  ])
  const made = twice.standIn.requests.filter((line) => line === 'POST /museum/setup').length
  assert.ok(made <= 2)
  assert.equal(twice.standIn.content.themes.filter(({ name }) => name === 'plain').length <= 1, true)
})

test('whoever looks after the server is let in as long as the owner has no account: a wrong password of theirs is no way past', async () => {
  const site = await running()
  const baseline = museumBaseline(site.address, (text) => text.replace(/\n {2}signInAs: .*/, ''))
  await settle(baseline, { ...site.options, confirm: false })
  await site.options.logins.put(site.address, 'marlow', new Secret('not-the-password-of-anybody'))
  await assert.rejects(settle(baseline, site.options), { code: 'login-refused' })
})

test('what keeps everybody else out while it is tried is tried by one after the other', async () => {
  const site = await running()
  const baseline = museumBaseline(site.address, (text) =>
    text
      .replace('Who keeps the walk open }', 'Who keeps the walk open }\n  - { name: Keepers }')
      .replace('email: tar@ropewalk.example', 'email: tar@ropewalk.example, groups: [Volunteers, Keepers]')
      .replace('  - { title: Imprint,', '  - { title: Key, slug: key, for: [Keepers] }\n  - { title: Imprint,')
      .replace(/checks:[^]*$/, ''),
  )
  const { standIn, options } = site
  await settle(baseline, { ...options, confirm: false })
  const { checks } = await confirm(baseline, { ...options, try: true })
  const begun = checks.filter(({ name }) => name.includes('can begin to change it in “rota”'))
  assert.deepEqual(
    begun.map(({ as, outcome }) => `${as} ${outcome}`),
    ['member hemp passed', 'member tar passed'],
  )
  // a visitor's look is refused, and stands anywhere between those of both members
  const edits = standIn.requests.filter((line) => line.includes('/edit/rota')).map((line) => line.charAt(0))
  assert.ok(['GGPGP', 'GPGGP', 'GPGPG'].includes(edits.join('')), edits.join(''))
})

test('a mail of somebody else’s that comes at the same moment is not taken for the one that is waited for', async () => {
  const site = await running()
  const { mailbox, smtp } = await mailServer(root, (one) => open.push(one))
  const baseline = museumBaseline(site.address, (text) => text.replace('smtp://127.0.0.1:2525', smtp))
  await settle(baseline, { ...site.options, confirm: false })
  let asked = 0
  const busy = {
    mailsTo: (to: string, since: Date) =>
      (asked += 1) === 1 ? Promise.resolve(['Is the museum open?']) : mailbox.mailsTo(to, since),
  }
  const { checks } = await confirm(baseline, { ...site.options, try: true, mailbox: busy })
  assert.equal(checks.find(({ name }) => name === 'a mail that the site sends arrives')?.outcome, 'passed')
  assert.equal(asked, 2)
})

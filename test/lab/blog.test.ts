import assert from 'node:assert/strict'
import { randomBytes } from 'node:crypto'
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { test } from 'node:test'
import { compareSite, confirm, settle, survey, type Baseline } from 'unpack'
import { debianZip } from '../help/debian.js'
import { demoBaseline, demoFolder } from '../help/demo.js'
import { folder } from '../help/folders.js'
import { labBlog, type LabBlog } from '../help/lab.js'
import { planned } from '../help/plan.js'
import { ownFolders } from '../help/sites.js'
import { zipOf } from '../help/zip.js'

const root = folder()
const picture = readFileSync(join(demoFolder, 'files/lantern.png'))
const blog = await labBlog('blog', '', { UPLOAD_LIMIT: '3M' })

/** Settles, and expects that nothing failed, every check passes, and a second run writes nothing. */
async function settledFor(good: LabBlog, baseline: Baseline) {
  const folders = await ownFolders(root)
  const done = await settle(baseline, folders)
  assert.deepEqual([done.failed, done.checks.filter(({ outcome }) => outcome === 'failed')], [[], []])
  const before = good.writes()
  assert.equal((await settle(baseline, { ...folders, confirm: false })).writes, 0)
  assert.equal(good.writes(), before)
  return { done, folders }
}

test('the whole file of the demo, in the root', async () => {
  const baseline = demoBaseline(blog.address)
  const { done, folders } = await settledFor(blog, baseline)
  assert.equal(done.settled.length, 35)
  // only the lists of links are nothing that this system has, and the file excuses them
  assert.deepEqual([done.comparison.never, done.comparison.byHand], [[], []])
  const { checks } = await confirm(baseline, { ...folders, try: true })
  assert.deepEqual(
    checks.filter(({ outcome }) => outcome === 'failed'),
    [],
  )
  assert.ok(checks.some(({ name }) => name === 'a visitor’s comment waits for the owner'))
})

test('the whole file in German, in a sub-folder, reached by another address today', async () => {
  const inner = await labBlog('blog-inner', 'blog')
  const later = inner.address.replace('127.0.0.1', 'localhost')
  const german = (address: string, rest = '') =>
    demoBaseline(address, (text) =>
      text
        .replace('language: en', `language: de${rest}`)
        .replace('5 March 2026,', '5. März 2026,')
        .replace('label: Tool library', 'label: Werkzeug & Öl'),
    )
  const folders = await ownFolders(root)
  const moved = await settle(german(later, `\n  reachedAt: ${inner.address}`), folders)
  assert.deepEqual([moved.failed, moved.checks.filter(({ outcome }) => outcome === 'failed')], [[], []])
  assert.equal((await settle(german(later), { ...folders, confirm: false })).writes, 0)
  inner.stop()
})

test('titles that were stored as they were typed: only those that visitors don’t see as written are written anew', async () => {
  await blog.reset()
  const titles = ['Salt & "rope"', 'Fish &amp; chips', 'Welcome to the <Anchor>', 'Tides']
  const pages = titles.map((title, index) => ({ title, slug: `page-${index}` }))
  const plan = planned(blog.address, `pages: ${JSON.stringify(pages)}`)
  const folders = await ownFolders(root)
  await settle(plan, { ...folders, confirm: false })
  for (const [index, title] of titles.entries())
    blog.sql(`UPDATE wp_posts SET post_title = '${title}' WHERE post_name = 'page-${index}'`)
  const done = await settle(plan, { ...folders, again: true })
  assert.deepEqual([...done.settled].sort(), ['pages/page-1', 'pages/page-2'])
  assert.deepEqual([done.failed, done.checks.filter(({ outcome }) => outcome === 'failed')], [[], []])
})

test('a page that its owner put into the bin is made again, and that is said first', async () => {
  await blog.reset()
  const plan = planned(blog.address, 'pages: [{ title: Home, slug: home }, { title: Rota, slug: rota }]')
  const folders = await ownFolders(root)
  await settle(plan, { ...folders, confirm: false })
  blog.sql("UPDATE wp_posts SET post_status = 'trash', post_name = 'rota__trashed' WHERE post_name = 'rota'")
  const { comparison } = await compareSite(plan, folders)
  const told = comparison.notes.map(({ ref, text }) => `${ref}: ${text}`).join()
  assert.match(told, /^pages\/rota: the page “Rota” stood here once and was removed since, or put into the bin/)
  const done = await settle(plan, folders)
  assert.deepEqual([done.settled, done.failed], [['pages/rota'], []])
  assert.match(blog.sql("SELECT count(*) FROM wp_posts WHERE post_name IN ('rota', 'rota__trashed')"), /2/)
})

test('a theme made of blocks: menus and the logo go into its parts; sidebars are reported as not possible', async () => {
  await blog.reset()
  const rest = `shipped: { sidebars: remove }
pages: [{ title: Home & tides, slug: home }, { title: Rota, slug: rota }]
categories: [{ name: Sightings, slug: sightings }]
menus: { main: [{ page: home }, { category: sightings }, { label: "Out & <about>", link: "https://out.example/?a=1&b=2" }], footer: [{ page: rota }] }
`
  const files = { 'logo.png': picture }
  const plan = (more: string) => planned(blog.address, more, files, undefined, ', logo: logo.png')
  const { done, folders } = await settledFor(blog, plan(rest))
  assert.ok(done.settled.includes('menus/footer'))
  assert.ok(done.checks.some(({ name, outcome }) => name === 'every page shows the logo' && outcome === 'passed'))
  const changed = plan(rest.replace('{ page: home }, ', '').replace('[{ page: rota }]', '[]'))
  const again = await settle(changed, { ...folders, inUse: true })
  assert.deepEqual(
    [again.settled, again.failed, again.checks.filter(({ outcome }) => outcome === 'failed')],
    [['menus/main', 'menus/footer'], [], []],
  )
  const { comparison } = await compareSite(planned(blog.address, `${rest}sidebars: { main: [search] }`), folders)
  assert.match(
    comparison.never.map(({ ref, text }) => `${ref}: ${text}`).join(),
    /sidebars\..*: the theme is made of blocks/,
  )
})

test('a classic theme of the makers: put to use, its places for menus and a sidebar filled', async () => {
  await blog.reset()
  const rest = `shipped: { theme: remove, sidebars: remove }
theme: { use: twentytwentyone, from: theme.zip }
pages: [{ title: Home, slug: home }]
menus: { main: [{ page: home }], footer: [{ label: Elsewhere, link: "https://else.example/" }] }
sidebars: { footer: [search, archives] }
`
  const theme = await debianZip('wordpress-theme-twentytwentyone', 'themes', 'twentytwentyone')
  const files = { 'theme.zip': theme, 'logo.png': picture }
  await settledFor(blog, planned(blog.address, rest, files, undefined, ', logo: logo.png'))
})

test('a theme without a place for a logo: reported in every run, and the rest is settled', async () => {
  await blog.reset()
  const rest = 'theme: { use: lantern, from: theme.zip }\npages: [{ title: Home, slug: home }]'
  const theme = readFileSync(join(demoFolder, 'files/lantern-theme.zip'))
  const files = { 'theme.zip': theme, 'logo.png': picture }
  const plan = planned(blog.address, rest, files, undefined, ', logo: logo.png')
  const folders = await ownFolders(root)
  for (const run of [1, 2]) {
    const { failed } = await settle(plan, { ...folders, confirm: false })
    assert.deepEqual(
      failed.map(({ ref }) => ref),
      ['site'],
      `run ${run}`,
    )
    assert.match(failed[0]?.text ?? '', /the theme has no place for a logo/)
  }
})

test('add-ons of Debian’s packages: one that works, and one that breaks the site on activation and is taken back', async () => {
  await blog.reset()
  const files = {
    'good.zip': await debianZip('wordpress-xrds-simple', 'plugins', 'xrds-simple'),
    'bad.zip': await debianZip('wordpress-shibboleth', 'plugins', 'shibboleth'),
  }
  const plan = planned(
    blog.address,
    'addOns: [{ use: xrds-simple, from: good.zip }, { use: shibboleth, from: bad.zip }]',
    files,
  )
  const done = await settle(plan, await ownFolders(root))
  assert.deepEqual(
    done.failed.map(({ ref }) => ref),
    ['addOns/shibboleth'],
  )
  assert.match(done.failed[0]?.text ?? '', /it breaks the site/)
  assert.match(blog.sql("select option_value from wp_options where option_name = 'active_plugins'"), /xrds-simple/)
  assert.deepEqual(
    done.checks.filter(({ outcome }) => outcome === 'failed').map(({ name }) => name),
    ['nothing is left to settle'],
  )
})

test('the server’s own small limit for uploads is told, with what to do, and nothing is left behind', async () => {
  await blog.reset()
  const heavy = await zipOf({
    'heavy/style.css': '/*\nTheme Name: Heavy\nVersion: 1.0\n*/',
    'heavy/index.php': '<?php',
    'heavy/noise.bin': randomBytes(3_500_000),
  })
  const plan = planned(blog.address, 'theme: { use: heavy, from: heavy.zip }', { 'heavy.zip': heavy })
  const done = await settle(plan, { ...(await ownFolders(root)), confirm: false })
  assert.deepEqual(
    done.failed.map(({ ref }) => ref),
    ['theme/heavy'],
  )
  assert.match(done.failed[0]?.text ?? '', /3\.3 MiB.*take less.*ask the host/)
  assert.equal(blog.sql("select count(*) from wp_posts where post_type = 'attachment'").trim(), '0')
})

test('the interface switched off: refused as what can’t be judged; with --in-use forms do what they can', async () => {
  await blog.reset()
  const folders = await ownFolders(root)
  await settle(planned(blog.address), { ...folders, confirm: false })
  blog.meddle(
    "add_filter('rest_authentication_errors', function () { return new WP_Error('closed', 'No.', array('status' => 403)); });",
  )
  const plan = planned(blog.address, 'publishing: { postsPerPage: 3 }\npages: [{ title: Home, slug: home }]')
  await assert.rejects(settle(plan, folders), { code: 'in-use', exit: 3 })
  const done = await settle(plan, { ...folders, inUse: true, confirm: false })
  blog.meddle(undefined)
  assert.deepEqual([done.settled, done.failed], [['publishing'], []])
  assert.match(
    done.comparison.never.map(({ ref, text }) => `${ref}: ${text}`).join(),
    /pages: The interface .* is switched off/,
  )
})

test('what stands in front: maintenance, a log-in page, a second step, a question after log-in', async () => {
  await blog.reset()
  const folders = await ownFolders(root)
  await settle(planned(blog.address), { ...folders, confirm: false })
  blog.file('.maintenance', `<?php $upgrading = ${Math.floor(Date.now() / 1000)};`)
  assert.match((await survey(blog.address)).reasons.join(), /maintenance/)
  await assert.rejects(settle(planned(blog.address), folders), { code: 'cannot-open', exit: 4 })
  blog.file('.maintenance', undefined)

  blog.meddle("add_action('template_redirect', function () { if (!is_user_logged_in()) auth_redirect(); });")
  const walled = await settle(planned(blog.address, '', {}, undefined, ', description: Behind a wall'), folders)
  assert.deepEqual([walled.settled, walled.failed], [['site'], []])
  const title = walled.checks.find(({ name }) => name === 'the front page shows the title')
  assert.match(title?.detail ?? '', /a log-in page stands in front of the site/)

  blog.meddle(
    'add_action(\'wp_login\', function () { wp_clear_auth_cookie(); echo \'<form id="code"><input name="code"></form>\'; exit; });',
  )
  await assert.rejects(settle(planned(blog.address), folders), { code: 'sign-in-challenge', exit: 4 })

  blog.meddle(undefined)
  blog.sql("update wp_options set option_value = '1' where option_name = 'admin_email_lifespan'")
  const asked = await settle(planned(blog.address, '', {}, undefined, ', description: Asked'), folders)
  assert.deepEqual([asked.failed, asked.checks.filter(({ outcome }) => outcome === 'failed')], [[], []])
})

test('a server that does not pass addresses of posts on: told, and what stood there before is put back', async () => {
  await blog.reset()
  const folders = await ownFolders(root)
  await settle(planned(blog.address), { ...folders, confirm: false })
  blog.meddle(
    "add_action('init', function () { if (preg_match('#^/(category|log)/#', $_SERVER['REQUEST_URI'])) { status_header(404); exit; } });",
  )
  const done = await settle(planned(blog.address, 'publishing: { postAddress: "/log/{slug}/" }'), {
    ...folders,
    confirm: false,
  })
  blog.meddle(undefined)
  assert.match(done.failed.find(({ ref }) => ref === 'publishing')?.text ?? '', /does not pass such addresses on/)
  assert.match(blog.sql("select option_value from wp_options where option_name = 'permalink_structure'"), /%year%/)
})

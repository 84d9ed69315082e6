import assert from 'node:assert/strict'
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { test } from 'node:test'
import { compareSite, LoginsFile, Secret, settle, survey, undo, type Baseline } from 'unpack'
import type { WordPressSession } from '../../src/systems/wordpress/session.js'
import { asOwner } from '../help/as-owner.js'
import { unpack } from '../help/cli.js'
import { smallBaseline, demoFolder } from '../help/demo.js'
import { folder } from '../help/folders.js'
import { labBlog, staysByItself, wordpressVersion } from '../help/lab.js'
import { planned } from '../help/plan.js'
import { ownFolders, PASSPHRASE } from '../help/sites.js'

const root = folder()
const blog = await labBlog('settle')
const demo = join(demoFolder, 'baseline.yaml')
const run = async (args: string[], name = 'cli') => {
  const logins = join(root, name, 'logins.json')
  // a file that opens at once: its slowness is tested elsewhere
  await (await LoginsFile.open(logins, new Secret(PASSPHRASE), 4)).put('http://127.0.0.1:1/', 'nobody', new Secret('x'))
  return unpack(args, {
    cwd: root,
    env: { UNPACK_STATE: join(root, name), UNPACK_LOGINS: logins, UNPACK_PASSPHRASE: PASSPHRASE },
  })
}

test('by the command line, from the first-run form to a confirmed blog; writes are counted by the server', async () => {
  const { standing, requests } = await survey(blog.address)
  assert.equal(standing, 'first-run')
  assert.ok(requests <= 12)
  const settled = await run(['settle', demo, '--at', blog.address, '--yes', '--json'])
  assert.equal(settled.exit, 0, settled.err + settled.out)
  const {
    writes,
    failed,
    checks,
    settled: refs,
  } = JSON.parse(settled.out) as { writes: number; failed: unknown[]; checks: { outcome: string }[]; settled: string[] }
  assert.deepEqual([failed, writes], [[], blog.writes()])
  assert.ok(checks.length >= 25 && checks.every(({ outcome }) => outcome === 'passed'))
  assert.ok(
    ['posts/hello-world', 'comments/1', 'pages/privacy-policy', 'pages/home', 'categories/repairs'].every((ref) =>
      refs.includes(ref),
    ),
  )
  assert.equal(
    blog
      .sql(
        "select concat(ID, ' ', post_name) from wp_posts where post_type in ('post','page') and post_status='publish' order by ID",
      )
      .trim()
      .split('\n')[0],
    '2 home',
    'the sample page was taken over in place',
  )
  // a line that ends within a paragraph of the file is no break on the site
  const home = await (await fetch(`${blog.address}home/`)).text()
  assert.match(home, /<p>Bring it broken[^<]*<em>yours<\/em>: sit down[^<]*<\/p>/)
  const before = blog.writes()
  const again = await run(['settle', demo, '--at', blog.address, '--yes', '--json'])
  assert.deepEqual(
    [again.exit, (JSON.parse(again.out) as { writes: number }).writes, blog.writes() - before],
    [0, 0, 0],
  )
  const elsewhere = await run(['compare', demo, '--at', blog.address, '--json'], 'cli')
  assert.deepEqual((JSON.parse(elsewhere.out) as { differences: unknown[] }).differences, [])
})

test('a settled site from outside: in use, with its reasons, in at most 12 requests', async () => {
  const { standing, requests, findings } = await survey(blog.address)
  assert.deepEqual([standing, findings.system?.proven], ['in-use', true])
  assert.ok(findings.system?.version.startsWith(wordpressVersion), findings.system?.version)
  assert.ok(requests <= 12)
})

test('a shipped post that was edited stays; a session lost before every request is renewed; somebody’s draft makes a site in use', async () => {
  await blog.reset()
  const folders = await ownFolders(root)
  const plain = smallBaseline(blog.address, (text) =>
    text.replace('shipped: remove', 'shipped: keep').replace(/categories:[\s\S]*/, ''),
  )
  await settle(plain, { ...folders, confirm: false })
  // the shipped post edited by its owner, the sample page untouched
  blog.sql(
    "update wp_posts set post_title='Our first', post_modified_gmt='2026-11-30 10:00:00', post_modified='2026-11-30 10:00:00' where ID=1",
  )
  const done = await settle(smallBaseline(blog.address), {
    ...folders,
    confirm: false,
    on: (event) => {
      if (event.is === 'sent') blog.sql("delete from wp_usermeta where meta_key='session_tokens'")
    },
  })
  assert.deepEqual(done.failed, [])
  assert.deepEqual(
    done.comparison.kept.map(({ ref }) => ref),
    [...staysByItself, 'posts/hello-world'],
  )
  assert.equal(blog.sql('select count(*) from wp_posts where ID=1').trim(), '1')
  blog.sql(
    "insert into wp_posts (post_author, post_title, post_name, post_status, post_type, post_content, post_excerpt, to_ping, pinged, post_content_filtered, post_date, post_date_gmt, post_modified, post_modified_gmt) values (1,'Boats','boats','draft','post','x','','','','','2026-11-30','2026-11-30','2026-11-30','2026-11-30')",
  )
  const before = blog.writes()
  const other = smallBaseline(blog.address, (text) => text.replace('Opening days', 'Open days'))
  await assert.rejects(settle(other, { ...folders }), { code: 'in-use' })
  assert.equal(blog.writes(), before)
})

test('a removed post, with its comment, is made again from its copy', async () => {
  await blog.reset()
  const folders = await ownFolders(root)
  const { record = '' } = await settle(smallBaseline(blog.address), { ...folders, confirm: false })
  assert.equal(blog.sql("select count(*) from wp_posts where post_type='post' and post_status='publish'").trim(), '0')
  const { again, failed } = await undo(smallBaseline(blog.address), record, {
    ...folders,
    refs: ['posts/hello-world', 'comments/1'],
  })
  assert.deepEqual([again, failed], [['posts/hello-world', 'comments/1'], []])
  assert.match(
    blog.sql(
      "select concat(post_name, ' ', post_title, ' ', comment_count) from wp_posts where post_type='post' and post_status='publish'",
    ),
    /hello-world Hello world! 1/,
  )
})

test('a German first run: what ships is known in German', async () => {
  await blog.reset()
  const folders = await ownFolders(root)
  const german = smallBaseline(blog.address, (text) => text.replace('language: en', 'language: de'))
  const { comparison } = await compareSite(german, folders)
  assert.ok(
    comparison.differences.some(({ ref }) => ref === 'posts/hallo-welt'),
    comparison.differences.map(({ ref }) => ref).join(),
  )
  const done = await settle(german, folders)
  assert.deepEqual([done.failed, done.checks.filter(({ outcome }) => outcome === 'failed')], [[], []])
  assert.deepEqual(
    done.comparison.kept.map(({ ref }) => ref),
    staysByItself,
  )
  assert.equal(blog.sql("select option_value from wp_options where option_name='WPLANG'").trim(), 'de_DE')
  const before = blog.writes()
  assert.equal((await settle(german, folders)).writes, 0)
  assert.equal(blog.writes(), before)
})

test('a language the site hasn’t got is told as failed', async () => {
  await blog.reset()
  const done = await settle(
    smallBaseline(blog.address, (text) => text.replace('language: en', 'language: en-GB')),
    { ...(await ownFolders(root)), confirm: false },
  )
  assert.deepEqual(
    done.failed.map(({ ref, code }) => [ref, code]),
    [['site', 'not-here']],
  )
  assert.match(done.failed[0]?.text ?? '', /no language “en-GB”; it has: en-US, en-CA, .* more$/)
})

test('in a sub-folder, reached by another name, and written without its slash', async () => {
  const inner = await labBlog('sub-folder', 'blog')
  assert.match(inner.address, /\/blog\/$/)
  const folders = await ownFolders(root)
  const done = await settle(smallBaseline(inner.address.replace(/\/$/, '')), folders)
  assert.deepEqual([done.failed, done.checks.filter(({ outcome }) => outcome === 'failed')], [[], []])
  const before = inner.writes()
  assert.equal((await settle(smallBaseline(inner.address), folders)).writes, 0)
  assert.equal(inner.writes(), before)
  // its own address is the one of the first run: under another name the run stops and names it
  const other = inner.address.replace('127.0.0.1', 'localhost')
  await assert.rejects(
    settle(smallBaseline(other), folders),
    (error: Error & { code?: string }) =>
      error.code === 'address-leads-elsewhere' && error.message.includes(inner.address),
  )
  inner.stop()
})

test('three hundred categories, three deep: at most twenty requests more than three, and a second run writes nothing', async () => {
  const plan = (tops: number, below: number) => {
    const list = (from: number, make: (index: number) => string) =>
      Array.from({ length: from }, (_, index) => make(index)).join(', ')
    const named = (slug: string, more = '') => `{ name: ${slug.toUpperCase()}, slug: ${slug}${more} }`
    // each top has `below` under it: a fourth of them one level down, the others under those
    const tree = list(tops, (a) =>
      named(
        `t${a}`,
        `, under: [${list(below / 4, (b) => named(`t${a}m${b}`, `, under: [${list(3, (c) => named(`t${a}m${b}l${c}`))}]`))}]`,
      ),
    )
    return planned(blog.address, `categories: [${tree}]`)
  }
  const three = planned(
    blog.address,
    'categories: [{ name: A, slug: a, under: [{ name: B, slug: b, under: [{ name: C, slug: c }] }] }]',
  )
  const run = async (baseline: Baseline) => {
    await blog.reset()
    const folders = await ownFolders(root)
    const done = await settle(baseline, { ...folders, confirm: false })
    assert.deepEqual(done.failed, [])
    assert.equal((await settle(baseline, { ...folders, confirm: false })).writes, 0)
    return done
  }
  const few = await run(three)
  const many = await run(plan(12, 24))
  assert.equal(many.settled.filter((ref) => ref.startsWith('categories/')).length, 300)
  assert.ok(many.requests <= few.requests + 20, `${many.requests} requests beside ${few.requests}`)
})

test('addresses that the system keeps are told before anything is sent; where an upload has one, no page is left at another', async () => {
  await blog.reset()
  const slugs = ['feed', 'embed', '2026', 'page2', 'wp-admin']
  const kept = planned(
    blog.address,
    `pages: [${slugs.map((slug) => `{ title: Tide, slug: "${slug}" }`).join()}]\nposts: [{ title: Tide, slug: feed }]`,
  )
  const folders = await ownFolders(root)
  const told = (await compareSite(kept, folders)).comparison.never.map(({ ref, text }) => `${ref} ${text}`)
  assert.equal(told.filter((one) => /(page|post) “Tide”: the system keeps that address for itself/.test(one)).length, 6)

  const plan = planned(blog.address, 'pages: [{ title: Pier, slug: pier }, { title: Rota, slug: rota }]')
  await settle(planned(blog.address), { ...folders, confirm: false })
  const file = { name: 'pier.png', type: 'image/png', bytes: readFileSync(join(demoFolder, 'files/lantern.png')) }
  await asOwner<WordPressSession, unknown>(planned(blog.address), folders, async (session) => {
    const headers = { 'content-disposition': 'attachment; filename="pier.png"' }
    assert.equal((await session.rest('POST', '/wp/v2/media', '', undefined, { file, headers })).status, 201)
  })
  const own = { ...folders, confirm: false, inUse: true }
  const pages = () => blog.sql("SELECT post_name FROM wp_posts WHERE post_type = 'page' AND post_name LIKE 'pier%'")
  const refusals = async () => (await settle(plan, own)).failed.map(({ ref, text }) => `${ref}: ${text}`)
  const why = 'something else has the address “pier” there: it would stand at “pier-2”'
  for (const run of ['the first run', 'the second']) {
    assert.deepEqual(await refusals(), [`pages/pier: The site refused it (${why}).`], run)
    assert.equal(pages().trim(), '', run)
  }
  blog.meddle("add_filter('pre_delete_post', '__return_false');")
  const stays = `pages/pier: The site refused it (${why}; it was made, and could not be removed again).`
  assert.deepEqual(await refusals(), [stays])
  blog.meddle(undefined)
  assert.equal(pages().trim(), 'pier-2')
})

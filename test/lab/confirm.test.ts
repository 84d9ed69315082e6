import assert from 'node:assert/strict'
import { before, test } from 'node:test'
import { confirm, settle, survey, type RunOptions } from 'unpack'
import { smallBaseline } from '../help/demo.js'
import { folder } from '../help/folders.js'
import { labBlog } from '../help/lab.js'
import { ownFolders } from '../help/sites.js'

const root = folder()
const blog = await labBlog('confirm')
let options: RunOptions
before(async () => {
  options = await ownFolders(root)
  const done = await settle(smallBaseline(blog.address), { ...options, confirm: false })
  assert.deepEqual(done.failed, [])
})

/** Confirms with a piece of PHP run on every request, and SQL before and after; gives the names of failed checks. */
async function failing(php?: string, sql?: [change: string, back: string]): Promise<string[]> {
  if (sql) blog.sql(sql[0])
  blog.meddle(php)
  const { checks } = await confirm(smallBaseline(blog.address), { ...options, again: true })
  blog.meddle(undefined)
  if (sql) blog.sql(sql[1])
  return checks
    .filter(({ outcome }) => outcome === 'failed')
    .map(({ name, detail }) => `${name}${process.env.UNPACK_TRACE ? ` (${detail})` : ''}`)
}
/** PHP that changes only what visitors get, at one place. */
const forVisitors = (at: string, change: string) =>
  `if (!is_admin() && strpos($_SERVER['REQUEST_URI'], 'rest_route') === false && strpos($_SERVER['REQUEST_URI'], 'wp-login') === false && preg_match('#${at}#', $_SERVER['REQUEST_URI'])) ob_start(function ($html) { return ${change}; });`

test('the settled blog: every check passes, and looking writes nothing', async () => {
  const writes = blog.writes()
  assert.deepEqual(await failing(), [])
  assert.equal(blog.writes(), writes)
})

const looks: [what: string, check: string, php: string][] = [
  [
    'title',
    'the front page shows the title',
    forVisitors('^/$', "str_replace('Lantern Street Repair Café', 'My blog', $html)"),
  ],
  [
    'description',
    'the front page shows the description',
    forVisitors('^/$', "str_replace('Bikes, lamps', 'Boats', $html)"),
  ],
  [
    'robots in the page',
    'search engines are welcome',
    forVisitors('^/$', 'str_replace(\'<head>\', \'<head><meta name="robots" content="noindex">\', $html)'),
  ],
  ['robots.txt', 'search engines are welcome', forVisitors('^/robots.txt$', '"User-agent: *\\nDisallow: /\\n"')],
  [
    'a robots header',
    'search engines are welcome',
    "if (preg_match('#^/$#', $_SERVER['REQUEST_URI'])) header('X-Robots-Tag: noindex');",
  ],
  [
    'a warning before the feed',
    'the feed can be read',
    forVisitors('feed=rss2', "'<br />Warning: something<br />' . $html"),
  ],
  [
    'a feed that is not found',
    'the feed can be read',
    "add_action('do_feed_rss2', fn() => wp_die('no', '', ['response' => 404]), 1);",
  ],
  [
    'a category’s page',
    'the page of the category “Lamps & wiring” opens',
    forVisitors('/category/repairs/lamps', "str_replace('Lamps', 'Boats', $html)"),
  ],
  [
    'a page’s text',
    'the page “Visit us” shows its text',
    forVisitors('/visit/', "str_replace('green door', 'red door', $html)"),
  ],
]
for (const [what, check, php] of looks)
  test(`${what}: exactly that check fails`, async () => assert.deepEqual(await failing(php), [check]))

test('the file’s own check', async () => {
  const { checks } = await confirm(
    smallBaseline(blog.address, (text) => text.replace('shows: toasters', 'shows: microscopes')),
    options,
  )
  assert.deepEqual(
    checks.filter(({ outcome }) => outcome === 'failed').map(({ name }) => name),
    ['/what-we-mend/ shows “microscopes”'],
  )
})

test('a text that shipped, back at its old address', async () => {
  const text =
    '<div class="entry-content"><p>Welcome to WordPress. This is your first post. Edit or delete it, then start writing!</p></div>'
  assert.deepEqual(await failing(forVisitors('^/\\?p=1$', `'<html><body>${text}</body></html>'`)), [
    'no text that shipped is left at its old addresses',
  ])
})

test('a setting that no visitor sees', async () => {
  assert.deepEqual(
    await failing(undefined, [
      "update wp_options set option_value='Asia/Tokyo' where option_name='timezone_string'",
      "update wp_options set option_value='Europe/London' where option_name='timezone_string'",
    ]),
    ['nothing is left to settle'],
  )
})

test('a password that was changed', async () => {
  const hash = blog.sql('select user_pass from wp_users where ID=1').trim()
  assert.deepEqual(
    await failing(undefined, [
      "update wp_users set user_pass=md5('other') where ID=1",
      `update wp_users set user_pass='${hash}' where ID=1`,
    ]),
    ['the owner can sign in'],
  )
})

test('signing out that does not end the session', async () => {
  assert.deepEqual(
    await failing("add_action('login_form_logout', function () { wp_safe_redirect(home_url()); exit; });"),
    ['the owner can sign out'],
  )
})

const onUploads = (php: string) =>
  `add_action('admin_init', function () { if (strpos($_SERVER['REQUEST_URI'], 'upload.php') !== false) { ${php} } });`
for (const [what, php] of [
  [
    'an error page',
    onUploads(
      "wp_die('Something is wrong here, and it takes some words to say what it is and why it came to be so. '. str_repeat('More words. ', 30), 'x', ['response' => 200]);",
    ),
  ],
  ['an error status', onUploads("wp_die('x', 'x', ['response' => 500]);")],
  [
    'a warning of PHP',
    "add_action('all_admin_notices', function () { if (strpos($_SERVER['REQUEST_URI'], 'upload.php') !== false) echo '<br /><b>Warning</b>:  Undefined variable $x in <b>x.php</b> on line <b>1</b><br />'; });",
  ],
  ['nothing', onUploads('exit;')],
  ['a log-in page', onUploads('wp_safe_redirect(wp_login_url()); exit;')],
  [
    'something else',
    onUploads("echo '<html><body>' . str_repeat('words and more words ', 40) . '</body></html>'; exit;"),
  ],
] as const)
  test(`a screen of the dashboard shows ${what}: exactly that screen fails`, async () =>
    assert.deepEqual(await failing(php), ["the dashboard's screen “uploads” opens"]))

test('the judge from outside: one item of somebody’s, and the site is in use', async () => {
  await blog.reset()
  const plain = smallBaseline(blog.address, (text) =>
    text.replace('shipped: remove', 'shipped: keep').replace(/categories:[\s\S]*/, ''),
  )
  await settle(plain, { ...(await ownFolders(root)), confirm: false })
  const judged = async () => {
    const { standing, safe } = await survey(blog.address)
    return [standing, safe]
  }
  assert.deepEqual(await judged(), ['fresh', true])
  const post = (type: string) =>
    `insert into wp_posts (post_author, post_title, post_name, post_status, post_type, post_content, post_excerpt, to_ping, pinged, post_content_filtered, post_date, post_date_gmt, post_modified, post_modified_gmt) values (1,'Boats','boats','publish','${type}','x','','','','','2026-11-01','2026-11-01','2026-11-01','2026-11-01')`
  for (const [change, back] of [
    [post('post'), "delete from wp_posts where post_name='boats'"],
    [post('page'), "delete from wp_posts where post_name='boats'"],
    [
      "insert into wp_comments (comment_post_ID, comment_author, comment_content, comment_approved, comment_type, comment_date, comment_date_gmt) values (1,'Odo','Hello','1','comment','2026-11-01','2026-11-01')",
      "delete from wp_comments where comment_author='Odo'",
    ],
    [
      "insert into wp_terms (name, slug) values ('Boats','boats'); insert into wp_term_taxonomy (term_id, taxonomy, description) values (last_insert_id(),'category','')",
      "delete from wp_term_taxonomy where term_id in (select term_id from wp_terms where slug='boats'); delete from wp_terms where slug='boats'",
    ],
  ] as const) {
    blog.sql(change)
    assert.deepEqual(await judged(), ['in-use', false], change)
    blog.sql(back)
    assert.deepEqual(await judged(), ['fresh', true], back)
  }
  blog.sql("update wp_posts set post_content='Edited', post_modified_gmt='2026-12-01' where ID=1")
  const edited = await survey(blog.address)
  assert.deepEqual(
    [edited.standing, edited.reasons.at(-1)],
    ['fresh', 'posts/hello-world shipped with it and was edited'],
  )
})

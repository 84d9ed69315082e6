import assert from 'node:assert/strict'
import { test } from 'node:test'
import { chooseAll, compareSite, settle, survey } from 'unpack'
import { demoBaseline } from '../help/demo.js'
import { folder } from '../help/folders.js'
import { labBlog } from '../help/lab.js'
import { planned } from '../help/plan.js'
import { ownFolders } from '../help/sites.js'

/* A WordPress of this year, as a host hands it over: with an add-on, a theme, a page and a picture of the host's own. */

const root = folder()

/** What a host's installer does: it puts software there, and a page as soon as the site is made. */
const hosts = `
if (!is_dir(WP_CONTENT_DIR . '/plugins/harbour-care')) {
  mkdir(WP_CONTENT_DIR . '/plugins/harbour-care');
  file_put_contents(WP_CONTENT_DIR . '/plugins/harbour-care/harbour-care.php', "<?php\\n/* Plugin Name: Harbour Care\\nVersion: 3.2 */");
  mkdir(WP_CONTENT_DIR . '/themes/harbour');
  file_put_contents(WP_CONTENT_DIR . '/themes/harbour/style.css', "/* Theme Name: Harbour\\nVersion: 2.0\\nAuthor: The harbour office */");
  file_put_contents(WP_CONTENT_DIR . '/themes/harbour/index.php', '<?php');
}
add_action('wp_install', function ($user) {
  wp_insert_post(['post_type' => 'page', 'post_status' => 'publish', 'post_title' => 'Welcome aboard', 'post_name' => 'welcome-aboard',
    'post_author' => $user->ID ?? 1, 'post_content' => '<p>Your host is glad that you are here.</p>']);
  $upload = wp_upload_bits('harbour-seal.png', null, base64_decode('iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNkYPhfDwAChwGA60e6kgAAAABJRU5ErkJggg=='));
  wp_insert_attachment(['post_mime_type' => 'image/png', 'post_title' => 'Harbour seal', 'post_author' => $user->ID ?? 1, 'post_status' => 'inherit'], $upload['file']);
});`

for (const version of ['7.1', '6.8', '6.1'])
  test(`WordPress ${version} with a host’s add-on, theme and welcome page: from its first-run form to confirmed`, async () => {
    const blog = await labBlog(`host-${version}`, '', { WORDPRESS: version })
    blog.meddle(hosts)
    const baseline = demoBaseline(blog.address)
    const folders = await ownFolders(root)
    const done = await settle(baseline, folders)
    assert.deepEqual([done.failed, done.open, done.checks.filter(({ outcome }) => outcome === 'failed')], [[], [], []])
    const gone = done.settled.filter((ref) => /^(?:theme|addOns|posts|comments)\//.test(ref))
    const themes =
      version === '6.1' ? ['twentytwentytwo', 'twentytwentythree'] : ['twentytwentyfour', 'twentytwentyfive']
    for (const ref of ['addOns/akismet', ...themes.map((theme) => `theme/${theme}`)]) assert.ok(gone.includes(ref), ref)
    const refs = (all: readonly { ref: string }[]) => all.map(({ ref }) => ref).sort()
    assert.deepEqual(refs(done.comparison.extras), ['addOns/harbour-care', 'theme/harbour'])
    for (const ref of ['pages/welcome-aboard', 'media/harbour-seal'])
      assert.ok(refs(done.comparison.kept).includes(ref), ref)
    assert.deepEqual(done.comparison.others, [])

    const before = blog.writes()
    const again = await settle(baseline, { ...folders, confirm: false })
    assert.deepEqual([again.writes, blog.writes()], [0, before])

    // its owner is asked about the page, and about what the system has made by itself; what goes is that alone
    const asked: string[] = []
    const removed = await settle(baseline, {
      ...folders,
      choose: chooseAll,
      chooseEarly: ({ differences }) => {
        asked.push(...differences.map(({ ref }) => ref as string))
        return differences.filter(({ ref }) => ref === 'pages/welcome-aboard')
      },
    })
    for (const ref of ['pages/welcome-aboard', 'media/harbour-seal']) assert.ok(asked.includes(ref), asked.join())
    assert.ok(!asked.includes('theme/harbour'))
    assert.equal(asked.includes('menus/navigation'), version !== '6.1', asked.join())
    assert.deepEqual([removed.settled, removed.failed], [['pages/welcome-aboard'], []])
    const { comparison } = await compareSite(baseline, folders)
    assert.deepEqual([comparison.differences, comparison.early.includes('pages/welcome-aboard')], [[], false])
    blog.stop()
  })

test('set up by a host: a visitor’s survey finds it fresh; after a hand-over to the owner, what shipped still goes', async () => {
  const blog = await labBlog('host-over')
  blog.meddle(hosts)
  const folders = await ownFolders(root)
  const plan = (owner: string, more = '') =>
    planned(blog.address, `${more}categories: [{ name: Nets, slug: nets, default: true }]`, {}, owner)
  await settle(planned(blog.address, '', {}, 'username: host-17, email: host@harbour.example'), {
    ...folders,
    confirm: false,
  })
  const { standing, reasons } = await survey(blog.address)
  assert.equal(standing, 'fresh', reasons.join('\n'))
  assert.match(reasons.join('\n'), /pages\/welcome-aboard came in the site's first minutes/)

  // two days later
  for (const [table, columns] of [
    ['users', ['user_registered']],
    ['posts', ['post_date', 'post_date_gmt', 'post_modified', 'post_modified_gmt']],
    ['comments', ['comment_date', 'comment_date_gmt']],
  ] as const)
    for (const column of columns)
      blog.sql(`update wp_${table} set ${column} = date_sub(${column}, interval 2 day) where ${column} > '2001-01-01'`)
  const owner = 'username: marlow, email: marlow@quay.example'
  const over = await settle(plan(`${owner}, signInAs: host-17`), { ...folders, confirm: false })
  assert.deepEqual([over.failed, over.comparison.others], [[], []])
  assert.equal(blog.sql('select group_concat(user_login) from wp_users').trim(), 'marlow')

  const done = await settle(plan(owner, 'shipped: remove\n'), folders)
  assert.deepEqual([done.failed, done.comparison.others], [[], []])
  for (const ref of ['posts/hello-world', 'pages/sample-page', 'categories/uncategorized'])
    assert.ok(done.settled.includes(ref), `${ref} is not among ${done.settled.join()}`)
  assert.ok(done.comparison.kept.some(({ ref }) => ref === 'pages/welcome-aboard'))
})

import assert from 'node:assert/strict'
import { test } from 'node:test'
import { chooseAll, compareSite, settle } from 'unpack'
import { demoBaseline } from '../help/demo.js'
import { folder } from '../help/folders.js'
import { labBlog } from '../help/lab.js'
import { ownFolders } from '../help/sites.js'

/* A WordPress of this year, as a host hands it over: with an add-on, a theme and a page of the host's own. */

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
});`

for (const version of ['7.1', '6.8'])
  test(`WordPress ${version} with a host’s add-on, theme and welcome page: from its first-run form to confirmed`, async () => {
    const blog = await labBlog(`host-${version}`, '', { WORDPRESS: version })
    blog.meddle(hosts)
    const baseline = demoBaseline(blog.address)
    const folders = await ownFolders(root)
    const done = await settle(baseline, folders)
    assert.deepEqual([done.failed, done.open, done.checks.filter(({ outcome }) => outcome === 'failed')], [[], [], []])
    const gone = done.settled.filter((ref) => /^(?:theme|addOns|posts|comments)\//.test(ref))
    for (const ref of ['addOns/akismet', 'theme/twentytwentyfour', 'theme/twentytwentyfive'])
      assert.ok(gone.includes(ref), ref)
    const refs = (all: readonly { ref: string }[]) => all.map(({ ref }) => ref).sort()
    assert.deepEqual(refs(done.comparison.extras), ['addOns/harbour-care', 'theme/harbour'])
    assert.ok(refs(done.comparison.kept).includes('pages/welcome-aboard'))
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
    assert.ok(asked.includes('pages/welcome-aboard') && !asked.includes('theme/harbour'), asked.join())
    assert.deepEqual([removed.settled, removed.failed], [['pages/welcome-aboard'], []])
    const { comparison } = await compareSite(baseline, folders)
    assert.deepEqual([comparison.differences, comparison.early.includes('pages/welcome-aboard')], [[], false])
    blog.stop()
  })

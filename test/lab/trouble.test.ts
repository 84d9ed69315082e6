import assert from 'node:assert/strict'
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { test } from 'node:test'
import { Secret, settle, survey } from 'unpack'
import { smallBaseline } from '../help/demo.js'
import { folder } from '../help/folders.js'
import { labBlog } from '../help/lab.js'
import { ownFolders } from '../help/sites.js'

const root = folder()
const blog = await labBlog('trouble')

test('stopped right after the first-run form, the next run goes on', async () => {
  await blog.reset()
  const folders = await ownFolders(root)
  const controller = new AbortController()
  await assert.rejects(
    settle(smallBaseline(blog.address), {
      ...folders,
      signal: controller.signal,
      on: (event) => {
        if (event.is === 'carried') controller.abort()
      },
    }),
    { code: 'stopped' },
  )
  const done = await settle(smallBaseline(blog.address), folders)
  assert.deepEqual([done.failed, done.checks.filter(({ outcome }) => outcome === 'failed')], [[], []])
})

test('the first-run form refuses: the password is kept, and what to do is said', async () => {
  await blog.reset()
  const folders = await ownFolders(root)
  const baseline = smallBaseline(blog.address)
  await assert.rejects(settle({ ...baseline, owner: { ...baseline.owner, email: 'ines@x.y@z' } }, folders), {
    code: 'first-run-refused',
    exit: 5,
  })
  assert.ok(folders.logins.find(blog.address, 'marlow'))
  assert.deepEqual((await settle(baseline, { ...folders, confirm: false })).failed, [])
})

test('the database is gone; the configuration is gone; the interface is closed to visitors', async () => {
  const folders = await ownFolders(root)
  blog.sql('rename table wp_options to wp_away')
  const gone = await survey(blog.address)
  assert.notEqual(gone.standing, 'fresh')
  blog.sql('rename table wp_away to wp_options')
  blog.meddle("http_response_code(500); echo '<html><body><h1>x</h1></body></html>'; exit;")
  const broken = await survey(blog.address)
  assert.deepEqual([broken.standing, broken.safe], ['unknown', false])
  await assert.rejects(settle(smallBaseline(blog.address), folders), { code: 'cannot-open', exit: 4 })
  blog.meddle(
    "add_filter('rest_authentication_errors', fn($r) => is_user_logged_in() ? $r : new WP_Error('closed', 'x', ['status' => 401]));",
  )
  const closed = await survey(blog.address)
  assert.deepEqual([closed.standing, closed.findings.system?.id], ['unknown', 'wordpress'])
  blog.meddle(undefined)
})

test('a wrong password, with every sort of sign in it, is refused and said', async () => {
  const folders = await ownFolders(root)
  await blog.reset()
  await settle(smallBaseline(blog.address), { ...folders, confirm: false })
  await folders.logins.put(blog.address, 'marlow', new Secret('wrong "pass" wörd \\'))
  await assert.rejects(settle(smallBaseline(blog.address), folders), { code: 'login-refused', exit: 4 })
})

test('a database that can’t be selected, as the system itself shows it', async () => {
  blog.configure("define('DB_NAME', 'blog')", "define('DB_NAME', 'gone')")
  const { standing, reasons } = await survey(blog.address)
  blog.configure("define('DB_NAME', 'gone')", "define('DB_NAME', 'blog')")
  assert.equal(standing, 'unknown')
  assert.match(reasons.join(), /something fails there \(HTTP 500\)/)
})

test('a screen that is not as expected stops what needs it, and nothing else', async () => {
  await blog.reset()
  const folders = await ownFolders(root)
  blog.meddle(
    "add_action('admin_init', function () { if (strpos($_SERVER['REQUEST_URI'], 'options-permalink.php') !== false) { echo '<html><body>Something else altogether</body></html>'; exit; } });",
  )
  const done = await settle(smallBaseline(blog.address), { ...folders, confirm: false })
  blog.meddle(undefined)
  assert.deepEqual(
    done.failed.map(({ ref, text }) => [ref, text.includes('options-permalink.php')]),
    [['site', true]],
  )
  assert.ok(done.settled.includes('pages/visit'))
  // by its structure: words of 25 letters, and which they were is not kept
  const kept = readFileSync(join(done.record ?? '', 'pages/0001-unexpected.html'), 'utf8')
  assert.match(kept, /<body>\[25\]<\/body>/)
  assert.deepEqual((await settle(smallBaseline(blog.address), { ...folders, confirm: false })).failed, [])
})

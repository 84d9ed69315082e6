import assert from 'node:assert/strict'
import { test } from 'node:test'
import fc from 'fast-check'
import { actions, builtIn, type Action, type Answer, type FirstLook } from 'unpack'
import { signUpPage } from '../../src/systems/misago/areas/signUp.js'
import { pageIn } from '../../src/systems/misago/page.js'
import { themesIn } from '../../src/systems/misago/packages.js'
import { fieldsFor, isOurs, nameOf, rightsIn } from '../../src/systems/misago/rights.js'
import { screens, trouble } from '../../src/systems/misago/screens.js'
import { signAt } from '../../src/systems/misago/signs.js'
import { pageOf } from '../../src/web/reading.js'

const misago = builtIn.find(({ id }) => id === 'misago')
assert.ok(misago)

const answer = (text: string, more: Partial<Answer> = {}): Answer => ({
  url: 'http://127.0.0.1/',
  status: 200,
  headers: {},
  text,
  hops: [],
  ...more,
})
const category = (id: number, name: string, parent: number | null) => ({
  id,
  name,
  parent,
  description: null,
  is_closed: false,
})
const data = (categories: object[]) => ({
  CATEGORIES: [category(2, 'Root', null), ...categories],
  SETTINGS: { account_activation: 'user', captcha_type: 'qa', forum_name: 'Misago' },
  user: {
    is_authenticated: false,
    acl: {
      visible_categories: [3],
      browseable_categories: [3],
      categories: [{ id: 3, can_start_threads: 1, can_reply_threads: true, can_close_threads: false }],
    },
  },
})
const page = (value: object) =>
  answer(
    `<html><body><div id="misago-container"></div><script>misago.init(${JSON.stringify(value)})\n</script></body></html>`,
  )
const look = (front: Answer, topics: object[] = []): FirstLook => ({
  front,
  get: () => Promise.resolve(answer(JSON.stringify({ results: topics, subcategories: [], next: null }))),
})

/** Sets of actions that can be: whoever does something sees and reads, and a notice is a pin. */
const sets = fc.subarray([...actions].filter((action) => action !== 'vote')).map((some): Set<Action> => {
  const all = new Set<Action>(some)
  if (all.has('notice')) all.add('pin')
  if (all.size > 0) all.add('see')
  if ([...all].some((action) => action !== 'see')) all.add('read')
  return all
})

test('a set of rights that is made lets people do just what it was made for', () => {
  fc.assert(
    fc.property(sets, fc.boolean(), (may, evenClosed) => {
      const fields = fieldsFor(may, evenClosed) as Record<string, string>
      const rights = rightsIn(fields)
      assert.deepEqual([...rights.may].sort(), [...may].sort())
      assert.deepEqual([rights.evenClosed, rights.beyond, rights.held], [evenClosed, 0, false])
      if (may.size > 0) assert.ok(isOurs(nameOf(may, evenClosed)), nameOf(may, evenClosed))
    }),
  )
})

test('what waits for approval, or lets more be done than a file can say, is seen', () => {
  const fields = fieldsFor(new Set(['see', 'read', 'start', 'reply']), false) as Record<string, string>
  const of = (name: string) => `misago.threads.permissions.threads-${name}`
  assert.equal(rightsIn({ ...fields, [of('require_threads_approval')]: '1' }).held, true)
  assert.equal(rightsIn({ ...fields, [of('can_move_threads')]: '1' }).beyond, 1)
  // seeing only one’s own topics is not reading
  assert.deepEqual([...rightsIn({ ...fields, [of('can_see_all_threads')]: '0' }).may], ['see'])
  assert.ok(!isOurs('Read only') && !isOurs('Moderator'))
})

test('recognised by what its pages are built of; its shipped category alone is fresh, a topic is somebody’s', async () => {
  const fresh = await misago.recognise(look(page(data([category(3, 'First category', 2)]))))
  assert.deepEqual([fresh?.id, fresh?.version, fresh?.proven, fresh?.state], ['misago', '0.39', true, 'set up'])
  assert.deepEqual(fresh?.seen, [{ ref: 'forums/First category', origin: 'shipped' }])
  const named = await misago.recognise(look(page(data([category(3, 'Our place', 2)])), [{ id: 7 }]))
  assert.deepEqual(named?.seen, [
    { ref: 'forums/Our place', origin: "somebody's" },
    { ref: 'topics/7', origin: "somebody's" },
  ])
  assert.equal(await misago.recognise(look(answer('<h1>First category</h1>'))), undefined)
  // the same pages with other data: another version, that nobody has proven
  const other = await misago.recognise(look(page({ CATEGORIES: 'none' })))
  assert.deepEqual([other?.proven, other?.version], [false, ''])
})

test('a page’s own data, whole or not at all', () => {
  assert.equal(pageIn(page(data([])))?.SETTINGS.account_activation, 'user')
  assert.equal(pageIn(page(data([])))?.user.acl.categories[0]?.can_reply_threads, 1)
  for (const text of ['', '<script>misago.init({)</script>', '<script>misago.init({"a":1})</script>'])
    assert.equal(pageIn(answer(text)), undefined)
})

test('sign-up as its public page tells it', () => {
  const at = (account_activation: string) =>
    page({ ...data([]), SETTINGS: { ...data([]).SETTINGS, account_activation } })
  assert.deepEqual(
    ['none', 'user', 'admin', 'closed'].map((field) => [
      signUpPage.isOpen(at(field)),
      signUpPage.approval?.(at(field)),
    ]),
    [
      [true, 'none'],
      [true, 'email'],
      [true, 'staff'],
      [false, 'none'],
    ],
  )
  assert.equal(signUpPage.question?.of(answer('{"question":"How many?","help_text":""}')), 'How many?')
  assert.equal(signUpPage.question.of(answer('{"detail":"Not found."}')), undefined)
})

test('screens of the dashboard: ten, and what may be wrong with one', () => {
  assert.ok(screens.length >= 8)
  const [screen] = screens
  assert.ok(screen)
  const filled = (body: string) =>
    answer(`<main>${body}${'<p>A dashboard with many words on it.</p>'.repeat(12)}</main>`)
  assert.equal(trouble(filled('<nav class="nav-section"></nav>'), screen), undefined)
  assert.match(trouble(filled('<form class="login-form-container"></form>'), screen) ?? '', /sign in/)
  assert.match(trouble(filled('Traceback (most recent call last)'), screen) ?? '', /trace/)
  assert.match(trouble(answer('<p></p>'), screen) ?? '', /empty/)
  assert.match(trouble(filled(''), screen) ?? '', /missing/)
  assert.match(trouble(answer('', { status: 500 }), screen) ?? '', /HTTP 500/)
})

test('themes in an archive: folders that say which style sheets they have', async () => {
  const file = (path: string, text: string) => ({ path, text: () => Promise.resolve(text) })
  const manifest = JSON.stringify({ name: 'Low water', css: [], media: [] })
  const found = await themesIn([
    file('low-water/manifest.json', manifest),
    file('other/manifest.json', '{'),
    file('a.css', ''),
  ])
  assert.deepEqual(
    found.map(({ use, name, folder }) => [use, name, folder]),
    [['low-water', 'Low water', 'low-water']],
  )
})

test('the same screen of another item is another screen: its number or its name tells', () => {
  const whole = (body: string) => answer(`<html><body>${body}</body></html>`)
  const rights = (role: number) =>
    whole(`<a href="/admincp/permissions/edit/${role}/">Edit role</a><form><select name="7-role"></select></form>`)
  assert.ok(pageOf(rights(3), signAt('permissions/categories/3/')))
  assert.throws(() => pageOf(rights(2), signAt('permissions/categories/3/')), { code: 'screen-unexpected' })
  assert.throws(() => pageOf(rights(13), signAt('permissions/categories/3/')), { code: 'screen-unexpected' })
  const set = (name: string) =>
    whole(`<form><input name="name" value='${name}'><input name="x.permissions-can_see"></form>`)
  const place = 'permissions/categories/edit/4/'
  assert.ok(pageOf(set('see, "read"'), signAt(place, 'see, "read"')))
  assert.throws(() => pageOf(set('see'), signAt(place, 'see, "read"')), { code: 'screen-unexpected' })
})

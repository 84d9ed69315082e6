import assert from 'node:assert/strict'
import { after, test } from 'node:test'
import { standInBlog, type StandInBlog, type StandInOptions } from '../../stand-ins/blog/server/index.js'
import { newer, waiting } from '../../stand-ins/common/server/catalogue.js'

const open: StandInBlog[] = []
after(() => Promise.all(open.map((standIn) => standIn.close())))
const LOGIN = { username: 'boss', password: 'harbour-light-41' }

/** A fresh stand-in, and the owner's browser at it. */
async function office(options: Partial<StandInOptions> = {}) {
  const standIn = standInBlog({ standing: 'fresh', owner: LOGIN, ...options })
  open.push(standIn)
  const address = await standIn.listen(0)
  const entered = await fetch(`${address}enter`, {
    method: 'POST',
    body: new URLSearchParams(LOGIN),
    redirect: 'manual',
  })
  const cookie = (entered.headers.get('set-cookie') ?? '').split(';')[0] ?? ''
  const get = async (place: string) => fetch(`${address}${place}`, { headers: { cookie }, redirect: 'manual' })
  const token = async (place: string, form: string) =>
    new RegExp(`<form id="${form}"[^>]*><input type="hidden" name="token" value="([0-9a-f]+)"`).exec(
      await (await get(place)).text(),
    )?.[1] ?? ''
  const post = (place: string, fields: Record<string, string>) =>
    fetch(`${address}${place}`, {
      method: 'POST',
      body: new URLSearchParams(fields),
      headers: { cookie },
      redirect: 'manual',
    })
  return { standIn, address, get, post, token }
}

test('nobody but who is signed in sees the dashboard, or changes anything', async () => {
  const { address, standIn } = await office()
  for (const room of ['', '/settings', '/themes', '/accounts/new']) {
    const answer = await fetch(`${address}office${room}`, { redirect: 'manual' })
    assert.deepEqual([answer.status, answer.headers.get('location')], [302, '/enter'])
  }
  await fetch(`${address}office/settings`, {
    method: 'POST',
    body: new URLSearchParams({ title: 'X' }),
    redirect: 'manual',
  })
  assert.equal(standIn.blog.settings.title, 'My blog')
})

test('a form’s token is good for one sending', async () => {
  const { post, token } = await office()
  const fields = { name: 'Tides', slug: 'tides', token: await token('office/tags/new', 'edit') }
  assert.equal((await post('office/tags/new', fields)).status, 303)
  assert.equal((await post('office/tags/new', { ...fields, slug: 'again' })).status, 403)
  assert.equal((await post('office/tags/new', { name: 'A', slug: 'a' })).status, 403)
})

test('a form is taken whole: what is not in it becomes empty', async () => {
  const { post, token, standIn } = await office()
  standIn.blog.settings.description = 'Something'
  await post('office/settings', { title: 'New', token: await token('office/settings', 'edit') })
  assert.deepEqual([standIn.blog.settings.title, standIn.blog.settings.description], ['New', ''])
})

test('what it can’t use is refused in words; values that its menus don’t hold are passed over', async () => {
  const { post, token, standIn } = await office()
  const send = async (place: string, fields: Record<string, string>, form = 'edit', to = place) =>
    post(to, { ...fields, token: await token(place, form) })
  const refused: [string, Record<string, string>, RegExp][] = [
    ['office/pages/new', { title: 'A', slug: 'an-example-page' }, /That slug is taken/],
    ['office/links/new', { title: 'A', link: 'nowhere' }, /wants a title, and an address/],
    ['office/menus/main', { lines: 'page 2' }, /no entry/],
    ['office/sidebars/main', { lines: 'weather' }, /no part/],
    [
      'office/publishing',
      { postsPerPage: '3', feedPosts: '3', postAddress: '/same/' },
      /could not be told from others/,
    ],
    ['office/accounts/new', { username: 'boss', email: 'a@b.example', password: 'x'.repeat(12) }, /taken/],
  ]
  for (const [place, fields, text] of refused) {
    const answer = await send(place, fields)
    assert.equal(answer.status, 422, place)
    assert.match(await answer.text(), text)
  }
  await send('office/settings', { language: 'xx', timezone: 'Nowhere/City', weekStarts: 'someday' })
  const { language, timezone, weekStarts } = standIn.blog.settings
  assert.deepEqual([language, timezone, weekStarts], ['en', 'UTC', 'sunday'])
  assert.equal((await send('office/themes/1', {}, 'remove', 'office/themes/1/remove')).status, 422)
})

test('a post’s old address leads on when the rule changes; a page in front is at the front', async () => {
  const { post, token, address, get } = await office()
  const token_ = await token('office/publishing', 'edit')
  await post('office/publishing', {
    postAddress: '/{year}/{slug}/',
    postsPerPage: '5',
    feedPosts: '5',
    frontPage: '2',
    token: token_,
  })
  const old = await fetch(`${address}post/a-first-post`, { redirect: 'manual' })
  assert.equal(old.status, 301)
  assert.match(old.headers.get('location') ?? '', /^\/\d{4}\/a-first-post\/$/)
  assert.equal((await fetch(`${address}${old.headers.get('location')?.slice(1)}`)).status, 200)
  const page = await get('an-example-page/')
  assert.deepEqual([page.status, page.headers.get('location')], [301, '/'])
})

test('visitors’ comments: held or shown by the rules, and never shown as HTML', async () => {
  const { standIn, address } = await office()
  const say = (by: string, text: string) =>
    fetch(`${address}say/1`, { method: 'POST', body: new URLSearchParams({ by, text }), redirect: 'manual' })
  await say('Odo', 'First <b>of</b> mine')
  standIn.blog.settings.approve = 'none'
  await say('Odo', '<script>x</script>')
  await say('Odo', 'https://a.example https://b.example https://c.example')
  assert.deepEqual(
    standIn.blog.comments.slice(1).map(({ state }) => state),
    ['held', 'shown', 'held'],
  )
  const text = await (await fetch(`${address}post/a-first-post`)).text()
  assert.ok(text.includes('&lt;script&gt;') && !text.includes('<script>'))
})

test('versions are compared part by part', () => {
  assert.deepEqual(
    [newer('1.10', '1.9'), newer('1.0', '1.0'), newer('1.0', '1.0.1'), newer('2.0', '1.9.9')],
    [true, false, false, true],
  )
  const own = { id: 1, name: 'a', version: '1.0', active: true, automatic: false }
  assert.deepEqual(
    waiting(
      [own],
      [
        { name: 'a', version: '1.0' },
        { name: 'b', version: '2' },
      ],
    ),
    [],
  )
})

import assert from 'node:assert/strict'
import { after, test } from 'node:test'
import { settle, Secret, type SettleOptions } from 'unpack'
import { folder } from '../help/folders.js'
import { planned } from '../help/plan.js'
import { runningStandIn, type RunningStandIn } from '../help/sites.js'

const root = folder()
const open: RunningStandIn[] = []
after(() => Promise.all(open.map((standIn) => standIn.close())))
const HOST = { username: 'host-17', password: 'from-the-welcome-letter' }

/** A blog that the host has set up with a login of its own. */
async function stand(temporary = true): Promise<RunningStandIn> {
  const standIn = await runningStandIn(root, { standing: 'fresh', owner: HOST })
  open.push(standIn)
  await standIn.options.logins.put(standIn.address, HOST.username, new Secret(HOST.password), { temporary })
  return standIn
}
const run = (standIn: RunningStandIn, owner: string, more: Partial<SettleOptions> = {}) =>
  settle(planned(standIn.address, '', {}, owner), { ...standIn.options, confirm: false, ...more })
const stored = (standIn: RunningStandIn, name: string) => standIn.options.logins.find(standIn.address, name)

test('names, shown name and e-mail', async () => {
  const standIn = await stand(false)
  const done = await run(
    standIn,
    'username: host-17, name: { first: Ines, last: Marlow, shown: Ines }, email: ines@quay.example',
  )
  assert.deepEqual(done.failed, [])
  const [me] = standIn.blog.accounts
  assert.deepEqual([me?.first, me?.last, me?.shown, me?.email], ['Ines', 'Marlow', 'Ines', 'ines@quay.example'])
})

test('the host’s temporary password is renewed once, and stored before it is sent', async () => {
  const standIn = await stand()
  let before: string | undefined
  const done = await run(standIn, 'username: host-17', {
    on: (event) => {
      if (event.is === 'sent' && event.carrier === 'profile') before = stored(standIn, HOST.username)?.next?.reveal()
    },
  })
  assert.deepEqual(done.failed, [])
  const now = standIn.blog.accounts[0]?.password
  assert.notEqual(now, HOST.password)
  assert.equal(now, before)
  assert.equal(stored(standIn, HOST.username)?.password.reveal(), now)
  assert.equal(stored(standIn, HOST.username)?.temporary, undefined)
  const again = await run(standIn, 'username: host-17')
  assert.deepEqual([again.writes, standIn.blog.accounts[0]?.password], [0, now])
})

test('stopped between the form and the file: the stored password opens the site, and the run goes on', async () => {
  const standIn = await stand()
  const controller = new AbortController()
  const on: SettleOptions['on'] = (event) => {
    if (event.is === 'sent' && event.carrier === 'profile') setTimeout(() => controller.abort(), 12)
  }
  await run(standIn, 'username: host-17', { on, signal: controller.signal }).catch(() => undefined)
  const done = await run(standIn, 'username: host-17')
  assert.deepEqual(done.failed, [])
  assert.equal(stored(standIn, HOST.username)?.password.reveal(), standIn.blog.accounts[0]?.password)
  assert.notEqual(standIn.blog.accounts[0]?.password, HOST.password)
})

test('a user name that can’t be renamed: a new account is tried, gets the content, and the host’s goes', async () => {
  const standIn = await stand()
  const done = await run(
    standIn,
    'username: marlow, signInAs: host-17, name: { shown: Ines }, email: ines@quay.example',
  )
  assert.deepEqual(done.failed, [])
  assert.deepEqual(
    standIn.blog.accounts.map(({ username, email, shown, role }) => [username, email, shown, role]),
    [['marlow', 'ines@quay.example', 'Ines', 'owner']],
  )
  const [me] = standIn.blog.accounts
  assert.ok(standIn.blog.pages.every(({ by }) => by === me?.id))
  assert.equal(stored(standIn, 'marlow')?.password.reveal(), me?.password)
  const again = await run(standIn, 'username: marlow, signInAs: host-17, email: ines@quay.example')
  assert.equal(again.writes, 0)
})

test('a new account that does not open the site: the old one is kept, and works', async () => {
  const standIn = await stand()
  standIn.app.server.prependListener('request', (request) => {
    if (request.method === 'POST' && request.url === '/office/accounts/new') request.url = '/office/accounts/100/remove'
  })
  const done = await run(standIn, 'username: marlow, signInAs: host-17')
  assert.deepEqual(
    done.failed.map(({ ref, code }) => [ref, code]),
    [
      ['owner', 'refused-by-site'],
      ['members/host-17', 'waits-for'],
    ],
  )
  assert.deepEqual(
    standIn.blog.accounts.map(({ username, password }) => [username, password]),
    [[HOST.username, HOST.password]],
  )
})

test('stored: the login must be there before; asked: the owner is asked, once', async () => {
  const standIn = await runningStandIn(root, { standing: 'first-run' })
  open.push(standIn)
  const stored_ = 'username: marlow, email: a@quay.example, password: stored'
  await assert.rejects(run(standIn, stored_), { code: 'login-missing', exit: 4 })
  await standIn.options.logins.put(standIn.address, 'marlow', new Secret('a-password-of-my-own'))
  assert.deepEqual((await run(standIn, stored_)).failed, [])
  assert.equal(standIn.blog.accounts[0]?.password, 'a-password-of-my-own')

  const other = await runningStandIn(root, { standing: 'first-run' })
  open.push(other)
  const asked: string[] = []
  const askPassword = (name: string) => {
    asked.push(name)
    return Promise.resolve(new Secret('chosen-by-the-owner'))
  }
  const ask = 'username: marlow, email: a@quay.example, password: asked'
  assert.deepEqual((await run(other, ask, { askPassword })).failed, [])
  assert.deepEqual((await run(other, ask, { askPassword })).writes, 0)
  assert.deepEqual([asked, other.blog.accounts[0]?.password], [['marlow'], 'chosen-by-the-owner'])
})

import assert from 'node:assert/strict'
import { test } from 'node:test'
import { builtIn, compareSite, Secret, settle } from 'unpack'
import { folder } from '../help/folders.js'
import { keeper, labContent } from '../help/lab-content.js'
import { planned } from '../help/plan.js'
import { ownFolders } from '../help/sites.js'

const root = folder()
const content = await labContent('keeper')
const FORM = 'POST /acl_users/users/manage_updateUserPassword'

/** Whether a password opens the whole server. */
const opens = async (password: string): Promise<boolean> => {
  const authorization = `Basic ${Buffer.from(`${keeper.username}:${password}`).toString('base64')}`
  const answer = await fetch(`${content.origin}/@sites`, { headers: { authorization, accept: 'application/json' } })
  return answer.status === 200 && ((await answer.json()) as { can_manage: boolean }).can_manage
}

test('the temporary password for a real server: left while it opens other sites, then renewed once, also behind a lost answer', async () => {
  const [address, other] = [content.next(), content.next()]
  await content.make(other)
  const folders = await ownFolders(root)
  await folders.logins.put(address, keeper.username, new Secret(keeper.password), { temporary: true })
  const options = { systems: builtIn, confirm: false, ...folders }
  const plan = (at = address) => planned(at, '', {}, 'username: marlow, signInAs: boss, email: ines@quay.example')
  const stored = () => folders.logins.find(address, keeper.username)

  const shared = await settle(plan(), options)
  assert.deepEqual([shared.failed, shared.comparison.byHand.map(({ ref }) => ref)], [[], ['owner.server']])
  assert.ok((await opens(keeper.password)) && stored()?.temporary)

  // at an address from which the server is not to be reached, nobody knows who else is there
  const mapped = await content.mapped(address)
  await folders.logins.put(mapped, keeper.username, new Secret(keeper.password), { temporary: true })
  const own = folders.logins.find(address, 'marlow')?.password ?? new Secret('')
  await folders.logins.put(mapped, 'marlow', own)
  const told = (await compareSite(plan(mapped), options)).comparison.byHand
  assert.match(told.find(({ ref }) => ref === 'owner.server')?.text ?? '', /does not open it from this address/)

  await content.remove(other)
  content.before.trouble([{ at: FORM, is: 'reset after' }])
  const lost = await settle(plan(), options)
  assert.deepEqual([lost.failed, stored()?.temporary], [[], undefined])
  assert.ok(!(await opens(keeper.password)))
  const sent = content.before.passed.length
  const done = await settle(plan(), options)
  assert.deepEqual([done.failed, done.comparison.byHand], [[], []])
  assert.ok(!content.before.passed.slice(sent).some(({ method, url }) => FORM === `${method} ${url}`))
  assert.deepEqual([stored()?.temporary, await opens(stored()?.password.reveal() ?? '')], [undefined, true])
  const before = content.before.passed.length
  assert.equal((await settle(plan(), options)).writes, 0)
  assert.ok(!content.before.passed.slice(before).some(({ url }) => !url.startsWith(new URL(address).pathname)))
})

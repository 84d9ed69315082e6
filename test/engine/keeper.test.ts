import assert from 'node:assert/strict'
import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { after, test } from 'node:test'
import { changes, compareSite, Secret, settle, type SettleOptions, type System } from 'unpack'
import { standInContentSystem } from '../../stand-ins/content/adapter/index.js'
import { standInContent, type StandInContentOptions } from '../../stand-ins/content/server/index.js'
import { folder } from '../help/folders.js'
import { planned } from '../help/plan.js'
import { ownFolders, runningStandIn } from '../help/sites.js'

const root = folder()
const open: { close(): Promise<void> }[] = []
after(() => Promise.all(open.map((one) => one.close())))
const keeper = { username: 'boss', password: 'harbour-light-41' }
const owner = 'username: marlow, signInAs: boss, email: ines@quay.example'

/** A server with the login that its host has told, as a temporary one. */
async function running(options: StandInContentOptions = {}, temporary = true) {
  const site = standInContent({ base: '/museum/', keeper, ...options })
  open.push(site)
  const address = await site.listen(0)
  const folders = await ownFolders(root)
  await folders.logins.put(address, keeper.username, new Secret(keeper.password), { temporary })
  const all = { systems: [standInContentSystem as System], confirm: false, ...folders }
  const stored = () => folders.logins.find(address, keeper.username)
  const plan = (own = owner, more = '') => planned(address, more, {}, own)
  const run = (more: Partial<SettleOptions> = {}, own = owner) => settle(plan(own), { ...all, ...more })
  return { site, address, all, stored, plan, run }
}
const lines = ({ site }: Awaited<ReturnType<typeof running>>) =>
  site.requests.filter((line) => line.endsWith('/server'))

test('the host’s temporary password for a server with this one site is renewed: stored before, tried after, once', async () => {
  const one = await running()
  let before: string | undefined
  const late: unknown[] = []
  const done = await one.run({
    choose(choice) {
      // not to be seen before the form: it is asked about on its own
      if (choice.late) late.push(...choice.differences.map((own) => own.is === 'different' && own.fields))
      return choice.differences
    },
    on: (event) => {
      if (event.is === 'sent' && event.carrier === 'the login for the server') before = one.stored()?.next?.reveal()
    },
  })
  assert.deepEqual(done.failed, [])
  assert.deepEqual(late, [['username', 'email', 'server']])
  const now = one.site.content.keeper.password
  assert.notEqual(now, keeper.password)
  assert.deepEqual([before, one.stored()?.password.reveal(), one.stored()?.temporary], [now, now, undefined])
  assert.deepEqual(
    one.site.content.accounts.map(({ username }) => username),
    ['marlow'],
  )
  for (const file of readdirSync(one.all.records, { recursive: true, withFileTypes: true }).filter((of) => of.isFile()))
    assert.ok(!readFileSync(join(file.parentPath, file.name), 'utf8').includes(now), file.name)
  const asked = lines(one).length
  const again = await one.run()
  assert.deepEqual([again.writes, again.comparison.byHand, lines(one).length], [0, [], asked])
})

test('in front of a first-run form, no system that has no such login is said to have one', async () => {
  const blog = await runningStandIn(root, { standing: 'first-run' })
  open.push(blog)
  const { differences } = (await compareSite(planned(blog.address), blog.options)).comparison
  const keys = differences.flatMap((one) => (one.area === 'owner' ? changes(one).map(({ key }) => key) : []))
  assert.ok(keys.includes('username') && !keys.includes('server'), keys.join())
})

test('where other sites stand on the server it is left and told, as it is where it is not temporary', async () => {
  const shared = await running({ neighbours: ['/club/'] })
  const { comparison } = await shared.run()
  assert.deepEqual(
    comparison.byHand.map(({ ref }) => ref),
    ['owner.server'],
  )
  assert.equal(shared.site.content.keeper.password, keeper.password)
  assert.equal(shared.stored()?.temporary, true)
  const excused = await compareSite(shared.plan(owner, 'leave: [owner.server]'), shared.all)
  assert.deepEqual(excused.comparison.byHand, [])
  const own = await running({}, false)
  assert.deepEqual((await own.run()).comparison.byHand, [])
  assert.deepEqual([own.site.content.keeper.password, lines(own)], [keeper.password, []])
})

test('stopped between the form and the file: the next run knows the new password, and it is the only one from then on', async () => {
  const one = await running()
  const controller = new AbortController()
  let password = keeper.password
  Object.defineProperty(one.site.content.keeper, 'password', {
    get: () => password,
    set(next: string) {
      password = next
      controller.abort()
    },
  })
  await assert.rejects(one.run({ signal: controller.signal }))
  assert.notEqual(one.site.content.keeper.password, keeper.password)
  assert.ok(one.stored()?.temporary)
  assert.deepEqual((await one.run()).failed, [])
  assert.equal(one.stored()?.password.reveal(), one.site.content.keeper.password)
  assert.deepEqual([one.stored()?.next, one.stored()?.temporary], [undefined, undefined])
})

test('a form that only answers as if it had saved: told as failed, both passwords stay in the file', async () => {
  const one = await running()
  one.site.content.pretends = ['server']
  const done = await one.run()
  assert.deepEqual(
    done.failed.map(({ ref, code }) => [ref, code]),
    [['owner', 'refused-by-site']],
  )
  assert.equal(one.stored()?.password.reveal(), keeper.password)
  one.site.content.pretends = []
  const again = await one.run()
  assert.deepEqual(again.failed, [])
  assert.equal(one.stored()?.password.reveal(), one.site.content.keeper.password)
})

test('a stored login that opens the server no more is told; one who looks after the server and owns the site has it renewed', async () => {
  const changed = await running()
  await changed.run({ choose: ({ differences }) => differences.filter(({ area }) => area !== 'owner') })
  changed.site.content.keeper.password = 'somebody-was-here'
  await changed.all.logins.put(changed.address, 'marlow', new Secret('tide-tables-1871'))
  changed.site.content.accounts.push({
    ...{ id: 7, username: 'marlow', email: 'ines@quay.example', shown: 'marlow', first: '', last: '' },
    ...{ password: 'tide-tables-1871', made: '', role: 'manager', groups: [], waits: false },
  })
  const told = await compareSite(changed.plan(), changed.all)
  assert.deepEqual(
    told.comparison.byHand.map(({ ref }) => ref),
    ['owner.server'],
  )

  const both = await running()
  const done = await both.run({}, 'username: boss, email: ines@quay.example')
  assert.deepEqual(done.failed, [])
  assert.notEqual(both.site.content.keeper.password, keeper.password)
  assert.equal(both.stored()?.password.reveal(), both.site.content.keeper.password)
})

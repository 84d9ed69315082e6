import assert from 'node:assert/strict'
import { Secret } from '../../core/secret.js'
import type { ConformanceCase } from '../case.js'

export const ownerCases: readonly ConformanceCase[] = [
  {
    name: 'the host’s login: the owner’s own name, address and password take its place, and it opens nothing any more',
    area: 'owner',
    needs: ['owner.username', 'owner.email', 'owner.password', 'host-login'],
    async run(site) {
      const { logins } = site.provided
      const [host] = await logins.at(site.address)
      assert.ok(host?.temporary)
      const plan = site.baseline({ owner: { signInAs: host.username, email: 'ines@tidepool.example' } })
      await site.settledForGood(plan)
      const now = await logins.find(site.address, 'marlow')
      assert.ok(now && now.password.reveal().length >= 20 && now.password.reveal() !== host.password.reveal())
      await site.confirmed(plan)
      await logins.put(site.address, 'marlow', host.password)
      await assert.rejects(site.settle(site.baseline()), { code: 'login-refused' })
    },
  },
  {
    name: 'a password that is stored already is the one that is used',
    area: 'owner',
    needs: ['first-run'],
    async run(site) {
      const own = new Secret('Kelp-and-limpet-and-boots-41')
      await site.provided.logins.put(site.address, 'marlow', own)
      await site.settledForGood(site.baseline({ owner: { password: 'stored' } }))
      assert.equal((await site.provided.logins.find(site.address, 'marlow'))?.password.reveal(), own.reveal())
    },
  },
  {
    name: 'the host’s temporary password is renewed once',
    area: 'owner',
    needs: ['owner.password', 'first-run'],
    async run(site) {
      const { logins } = site.provided
      const host = new Secret('Temporary-from-the-host-17')
      await logins.put(site.address, 'marlow', host)
      await site.settled(site.baseline())
      await logins.put(site.address, 'marlow', host, { temporary: true })
      const { settled } = await site.settledForGood(site.baseline())
      assert.deepEqual(settled, ['owner'])
      const now = await logins.find(site.address, 'marlow')
      assert.ok(now && now.password.reveal() !== host.reveal() && !now.temporary)
      await site.confirmed(site.baseline())
    },
  },
  {
    name: 'another user name than the host’s: a new account takes over, is tried first, and the host’s goes',
    area: 'owner',
    needs: ['owner.password', 'members.username', 'first-run'],
    async run(site) {
      const files = { 'home.md': 'Low water at half past nine.\n' }
      const pages = [{ title: 'Home', slug: 'home', body: 'home.md' }]
      await site.settled(
        site.baseline({ owner: { username: 'host-17', email: 'host@tidepool.example' }, pages, files }),
      )
      const plan = site.baseline({
        owner: {
          username: 'marlow',
          signInAs: 'host-17',
          name: { shown: 'Ines & co' },
          email: 'ines@tidepool.example',
        },
        pages,
        files,
      })
      const { settled } = await site.settledForGood(plan)
      assert.deepEqual([...settled].sort(), ['members/host-17', 'owner'])
      const checks = await site.confirmed(plan)
      assert.ok(checks.some(({ name, outcome }) => name === 'the page “Home” shows its text' && outcome === 'passed'))
    },
  },
  {
    name: 'the password is made, stored, at least 20 characters long, and opens the dashboard',
    area: 'owner',
    needs: [],
    async run(site) {
      const stored: boolean[] = []
      const { logins } = site.provided
      await site.settled(site.baseline(), {
        on: (event) => {
          // on its way to the disk before the form is sent
          if (event.is === 'sent' && stored.length === 0) stored.push(true)
        },
        logins: {
          file: logins.file,
          find: (address, user) => logins.find(address, user),
          at: (address) => logins.at(address),
          put: async (address, user, password) => {
            assert.deepEqual(stored, [], 'the form was sent before the password was stored')
            await logins.put(address, user, password)
          },
        },
      })
      const login = await logins.find(site.address, 'marlow')
      assert.ok(login && login.password.reveal().length >= 20)
      assert.equal((await site.settle(site.baseline())).writes, 0)
    },
  },
  {
    name: 'names and e-mail of the owner',
    area: 'owner',
    needs: ['owner.first', 'owner.last', 'owner.shown', 'owner.email'],
    async run(site) {
      const baseline = site.baseline({
        owner: { name: { first: 'Ines', last: 'Marlow', shown: 'Ines at the café' }, email: 'ines@tidepool.example' },
      })
      await site.settled(baseline)
      assert.equal((await site.settle(baseline)).writes, 0)
      await site.settled(
        site.baseline({
          owner: {
            name: { first: 'Inés', last: "O'Marlow", shown: 'Ines <at the desk> & "co"' },
            email: 'marlow@tidepool.example',
          },
        }),
      )
    },
  },
]

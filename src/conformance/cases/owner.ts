import assert from 'node:assert/strict'
import type { ConformanceCase } from '../case.js'

export const ownerCases: readonly ConformanceCase[] = [
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
          owner: { name: { first: 'Inés', last: "O'Marlow", shown: 'Ines & co' }, email: 'marlow@tidepool.example' },
        }),
      )
    },
  },
]

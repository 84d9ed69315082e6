import assert from 'node:assert/strict'
import { confirm } from '../../engine/confirm.js'
import type { ConformanceCase } from '../case.js'

export const mailCases: readonly ConformanceCase[] = [
  {
    name: 'what stands under the mails that the site sends',
    area: 'mail',
    needs: ['mail.signature'],
    async run(site) {
      for (const signature of ['See you at low water', 'Mind the “gap” & the tide'])
        await site.settledForGood(site.baseline({ mail: { signature } }))
    },
  },
  {
    name: 'who the mails come from, and through which server',
    area: 'mail',
    needs: ['mail.from', 'mail.name', 'mail.server'],
    async run(site) {
      const mail = { from: 'hello@tidepool.example', name: 'Tidepool & co', server: 'smtp://127.0.0.1:2525' }
      await site.settledForGood(site.baseline({ mail }))
    },
  },
  {
    name: 'a mail that the site sends arrives, or it is told that it does not; without a box to look into, none is sent',
    area: 'mail',
    needs: ['mail.from', 'mail.server'],
    unless: ({ areas }) => (areas.mail?.try ? undefined : 'this system gives no way to try it'),
    async run(site) {
      const { smtp: server, mailbox } = site.provided
      assert.ok(server !== undefined && mailbox, 'this case wants a server for mails, and the box to which they go')
      const from = 'hello@tidepool.example'
      const name = 'a mail that the site sends arrives'
      const plan = (through: string) => site.baseline({ mail: { from, server: through } })
      const since = new Date()
      const tried = async (through: string, more: object = {}) => {
        const { checks } = await confirm(plan(through), { ...site.options, try: true, ...more })
        return checks.find((check) => check.name === name)?.outcome
      }
      await site.settledForGood(plan(server))
      assert.equal(await tried(server, { mailbox: undefined }), 'not looked at')
      assert.equal(await tried(server), 'passed')
      assert.equal((await mailbox.mailsTo(from, since)).length, 1)
      // nothing listens there
      const nowhere = 'smtp://127.0.0.1:9'
      await site.settledForGood(plan(nowhere))
      assert.equal(await tried(nowhere), 'failed')
    },
  },
]

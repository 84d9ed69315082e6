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
]

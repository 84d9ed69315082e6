import { settingSteps, type AreaOnSystem } from 'unpack'
import type { StandInSession } from '../../../common/adapter/session.js'
import { as } from '../../../common/adapter/settings.js'
import { mailForm } from '../carriers/forms.js'

export const mail: AreaOnSystem<'mail', StandInSession> = {
  can: { signature: { never: 'this system has no line that stands under its mails' } },
  async read(session) {
    const { mailFrom, mailName, mailServer } = await session.form('mail')
    return [{ id: 'mail', item: { from: mailFrom, name: mailName, server: mailServer } }]
  },
  async try(_attempt, { session, text }) {
    const { refused } = await session.send('mail', { form: 'test', to: 'mail/test', changes: { text } })
    return refused === undefined
      ? { came: 'sent' }
      : { came: 'refused', detail: `the site could not send it: ${refused}` }
  },
  translate: (differences) =>
    settingSteps(differences, mailForm, { from: as('mailFrom'), name: as('mailName'), server: as('mailServer') }),
}

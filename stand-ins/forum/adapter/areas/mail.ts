import { settingSteps, type AreaOnSystem } from 'unpack'
import { as } from '../../../common/adapter/settings.js'
import type { StandInSession } from '../../../common/adapter/session.js'
import { mailForm } from '../carriers/forms.js'

export const mail: AreaOnSystem<'mail', StandInSession> = {
  async read(session) {
    const { mailFrom, mailName, mailServer, mailSignature } = await session.form('mail')
    return [{ id: 'mail', item: { from: mailFrom, name: mailName, server: mailServer, signature: mailSignature } }]
  },
  translate: (differences) =>
    settingSteps(differences, mailForm, {
      from: as('mailFrom'),
      name: as('mailName'),
      server: as('mailServer'),
      signature: as('mailSignature'),
    }),
}

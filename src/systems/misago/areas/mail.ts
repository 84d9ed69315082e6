import { textOf } from '../../../core/value.js'
import { settingSteps } from '../../setting-steps.js'
import type { AreaOnSystem } from '../../area-on-system.js'
import { general } from '../carriers/settings.js'
import type { MisagoSession } from '../session.js'

const server = { never: 'it is set on the server, in the system’s own settings; ask the host' }

export const mail: AreaOnSystem<'mail', MisagoSession> = {
  can: { from: server, name: server, server },
  async read(session) {
    const { fields } = await session.form('settings/general/')
    return [{ id: 'mail', item: { signature: fields.email_footer } }]
  },
  translate: (differences) =>
    settingSteps(differences, general, { signature: (value) => ({ email_footer: textOf(value) }) }),
}

import { textOf } from '../../../core/value.js'
import { settingSteps } from '../../setting-steps.js'
import type { AreaOnSystem } from '../../area-on-system.js'
import { general } from '../carriers/settings.js'
import type { MisagoSession } from '../session.js'

const server = 'it is set on the server, in the system’s own settings; ask the host'

export const site: AreaOnSystem<'site', MisagoSession> = {
  can: {
    language: { never: server },
    timezone: { never: `${server}; browsers show local times` },
    date: { never: 'this system writes dates as each visitor’s browser does' },
    time: { never: 'this system writes times as each visitor’s browser does' },
    weekStarts: { never: 'this system has no calendar' },
    searchEngines: { never: `a file of the system tells search engines what to leave out: ${server}` },
    contact: { never: `the sender of its mails: ${server}` },
    icon: { never: `the icon is a file of the system: ${server}` },
    logo: { byHand: 'upload it at the dashboard: Settings, General, Large logo' },
  },
  async read(session) {
    const { fields } = await session.form('settings/general/')
    return [{ id: 'site', item: { title: fields.forum_name, description: fields.index_meta_description } }]
  },
  translate: (differences) =>
    settingSteps(differences, general, {
      // the name stands in the head of every page as a text of its own
      title: (value) => ({ forum_name: textOf(value), logo_text: textOf(value) }),
      // search engines read the one, visitors the other
      description: (value) => ({
        index_meta_description: textOf(value),
        index_header: textOf(value),
      }),
    }),
  ships: () => [{ id: 'site', item: { title: 'Misago', description: '' } }],
}

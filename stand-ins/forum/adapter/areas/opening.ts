import { settingSteps, type AreaOnSystem } from 'unpack'
import { as, box } from '../../../common/adapter/settings.js'
import type { StandInSession } from '../../../common/adapter/session.js'
import { settings } from '../carriers/forms.js'

export const opening: AreaOnSystem<'opening', StandInSession> = {
  async read(session) {
    const { open, notice } = await session.form('settings')
    return [{ id: 'opening', item: { open: open === '1', 'open.notice': notice } }]
  },
  translate: (differences) =>
    settingSteps(differences, settings, {
      open: (value) => ({ open: box(value === true) }),
      'open.notice': as('notice'),
    }),
}

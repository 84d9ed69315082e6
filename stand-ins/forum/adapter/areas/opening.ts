import { settingSteps, Step, type AreaOnSystem } from 'unpack'
import { as, box } from '../../../common/adapter/settings.js'
import type { StandInSession } from '../../../common/adapter/session.js'
import { settings } from '../carriers/forms.js'

export const opening: AreaOnSystem<'opening', StandInSession> = {
  async read(session) {
    const { open, notice } = await session.form('settings')
    return [{ id: 'opening', item: { visitors: open === '1', notice } }]
  },
  translate: (differences) =>
    settingSteps(differences, settings, {
      visitors: (value) => ({ open: box(value === true) }),
      notice: as('notice'),
    }),
  closes: ({ site }) =>
    Step.of(
      settings,
      { open: '', ...(site.open?.notice !== undefined && { notice: site.open.notice }) },
      { proves: [] },
    ),
}

import { settingSteps, type AreaOnSystem } from 'unpack'
import type { StandInSession } from '../../../common/adapter/session.js'
import { as } from '../../../common/adapter/settings.js'
import { settings } from '../carriers/forms.js'

export const address: AreaOnSystem<'address', StandInSession> = {
  async read(session) {
    const { address: own = '' } = await session.form('settings')
    // one that was never told is found wherever it is asked at
    return [{ id: 'address', item: { address: own || session.visitor.home } }]
  },
  translate: (differences) => settingSteps(differences, settings, { address: as('address') }),
  ships: ({ site }) => [{ id: 'address', item: { address: site.reachedAt ?? site.address } }],
}

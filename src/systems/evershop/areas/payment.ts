import { textOf } from '../../../core/value.js'
import type { AreaOnSystem } from '../../area-on-system.js'
import { settingSteps } from '../../setting-steps.js'
import { settings } from '../carriers/settings.js'
import type { EverShopSession } from '../session.js'
import { shopOf } from '../shop.js'
import { tagged } from '../wire.js'

/** What is paid when it is handed over; what needs a provider's keys is its owner's to switch on. */
export const payment: AreaOnSystem<'payment', EverShopSession> = {
  can: {
    transfer: { never: 'this system knows no payment by transfer' },
    card: { byHand: 'enter the keys of your provider in the dashboard, under settings and payments' },
  },
  takes: (_key, value) => tagged(value),
  async read(session) {
    const { setting } = await shopOf(session)
    const cash = setting.codPaymentStatus === 1 ? (setting.codDisplayName ?? '') : ''
    return [{ id: 'payment', item: { cash, card: '' } }]
  },
  translate: (differences) =>
    settingSteps(differences, settings, {
      cash: (name) => ({ codPaymentStatus: '1', codDisplayName: textOf(name) }),
    }),
}

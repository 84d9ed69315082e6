import { settingSteps, textOf, type AreaOnSystem } from 'unpack'
import type { StandInSession } from '../../../common/adapter/session.js'
import { paymentForm } from '../carriers/forms.js'

/** What pays nothing is never switched on: no key of ours leads to it. */
export const payment: AreaOnSystem<'payment', StandInSession> = {
  can: { card: { byHand: 'enter the keys of your provider in the dashboard, under payment' } },
  async read(session) {
    const { cashOn, cashName = '', transferOn, transferName = '' } = await session.form('payment')
    const item = {
      cash: cashOn === '1' ? cashName : '',
      transfer: transferOn === '1' ? transferName : '',
      card: '',
    }
    return [{ id: 'payment', item }]
  },
  translate: (differences) =>
    settingSteps(differences, paymentForm, {
      cash: (name) => ({ cashOn: '1', cashName: textOf(name) }),
      transfer: (name) => ({ transferOn: '1', transferName: textOf(name) }),
    }),
}

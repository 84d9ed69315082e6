import { settingSteps, Step, textOf, type AreaOnSystem, type ItemOf, type Value } from 'unpack'
import type { StandInSession } from '../../../common/adapter/session.js'
import { as, box } from '../../../common/adapter/settings.js'
import { firstRun } from '../carriers/first-run.js'
import { storeForm } from '../carriers/forms.js'

type StoreItem = ItemOf<'store'>
const lines = (text = ''): string[] => text.split(/\r?\n/).filter((line) => line !== '')
const asLines = (field: string) => (value: Value) => ({
  [field]: Array.isArray(value) ? (value as readonly string[]).join('\n') : textOf(value),
})

export const store: AreaOnSystem<'store', StandInSession> = {
  async read(session) {
    const form = await session.form('store')
    const item = {
      'address.street': form.street,
      'address.city': form.city,
      'address.region': form.region,
      'address.postcode': form.postcode,
      'address.country': form.country,
      email: form.email,
      phone: form.phone,
      trade: lines(form.trade),
      goods: lines(form.goods),
      size: Number(form.size),
      currency: form.currency,
      prices: form.prices,
      'units.weight': form.weightUnit,
      'units.length': form.lengthUnit,
      shipsTo: lines(form.shipsTo),
      'offers.accept': lines(form.extras),
    }
    return [{ id: 'store', item: item as StoreItem }]
  },
  translate(differences, { firstRun: atFirstRun, baseline }) {
    if (!atFirstRun)
      return settingSteps<keyof StoreItem, StandInSession>(differences, storeForm, {
        'address.street': as('street'),
        'address.city': as('city'),
        'address.region': as('region'),
        'address.postcode': as('postcode'),
        'address.country': as('country'),
        email: as('email'),
        phone: as('phone'),
        trade: asLines('trade'),
        goods: asLines('goods'),
        size: as('size'),
        currency: as('currency'),
        prices: as('prices'),
        'units.weight': as('weightUnit'),
        'units.length': as('lengthUnit'),
        shipsTo: asLines('shipsTo'),
        'offers.accept': asLines('extras'),
      })
    const { address, currency, trade = [], goods, size, offers } = baseline.store ?? {}
    const answers = {
      ...(address?.country !== undefined && { country: address.country }),
      ...(currency !== undefined && { currency }),
      trade: trade.join('\n'),
      ...(goods && { posted: box(goods.includes('posted')), downloaded: box(goods.includes('downloaded')) }),
      ...(size !== undefined && { size: String(size) }),
      extras: offers?.accept ?? [],
    }
    return differences.map((difference) => Step.of(firstRun, answers, { proves: [difference] }))
  },
  ships: () => [
    {
      id: 'store',
      item: {
        ...{ 'address.country': 'US', currency: 'USD', prices: 'include tax', size: 10, goods: ['posted'], trade: [] },
        ...{ 'units.weight': 'kg', 'units.length': 'cm', shipsTo: [], email: '', phone: '' },
        ...{ 'address.street': '', 'address.city': '', 'address.region': '', 'address.postcode': '' },
      },
    },
  ],
}

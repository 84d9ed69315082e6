import { textOf } from '../../../core/value.js'
import type { AreaOnSystem } from '../../area-on-system.js'
import { settingSteps } from '../../setting-steps.js'
import type { Value } from '../../../core/area.js'
import type { StoreItem } from '../../../core/areas/store.js'
import { settings } from '../carriers/settings.js'
import type { EverShopSession } from '../session.js'
import { shopOf } from '../shop.js'

const as = (field: string) => (value: Value) => ({ [field]: textOf(value) })
const notAsked = { never: 'nothing on this system asks for it' }

export const store: AreaOnSystem<'store', EverShopSession> = {
  can: { trade: notAsked, goods: notAsked, size: notAsked, 'offers.accept': { never: 'this system pushes no extras' } },
  async read(session) {
    const { setting } = await shopOf(session)
    const item = {
      'address.street': setting.storeAddress ?? '',
      'address.city': setting.storeCity ?? '',
      'address.region': setting.storeProvince ?? '',
      'address.postcode': setting.storePostalCode ?? '',
      'address.country': setting.storeCountry ?? '',
      email: setting.storeEmail ?? '',
      phone: setting.storePhoneNumber ?? '',
      currency: setting.storeCurrency ?? '',
      prices: setting.priceIncludingTax ? 'include tax' : 'before tax',
      'units.weight': setting.weightUnit ?? '',
      'units.length': setting.dimensionUnit ?? '',
      shipsTo: setting.allowedCountries ?? [],
    }
    return [{ id: 'store', item: item as StoreItem }]
  },
  translate: (differences) =>
    settingSteps<keyof StoreItem, EverShopSession>(differences, settings, {
      'address.street': as('storeAddress'),
      'address.city': as('storeCity'),
      'address.region': as('storeProvince'),
      'address.postcode': as('storePostalCode'),
      'address.country': as('storeCountry'),
      email: as('storeEmail'),
      phone: as('storePhoneNumber'),
      currency: as('storeCurrency'),
      prices: (value) => ({ priceIncludingTax: String(value === 'include tax') }),
      'units.weight': as('weightUnit'),
      'units.length': as('dimensionUnit'),
      shipsTo: (value) => ({ allowedCountries: (value as readonly string[]).join(' ') }),
    }),
}

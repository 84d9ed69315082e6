import type { Office } from '../../../common/server/office.js'
import { settingsForms, type SettingScreens } from '../../../common/server/settings-forms.js'
import { currencies } from '../first-run.js'
import { languages, type Settings, type Shop } from '../model.js'

const zones = ['UTC', ...Intl.supportedValuesOf('timeZone')]
const screens: SettingScreens<Settings> = {
  settings: {
    title: 'Title',
    description: 'Description',
    language: 'Language',
    timezone: 'Time zone',
    searchEngines: 'Let search engines in',
    icon: 'Icon',
    logo: 'Logo',
  },
  front: { frontText: 'The text in front' },
  store: {
    street: 'Street',
    city: 'Town',
    region: 'Region',
    postcode: 'Postcode',
    country: 'Country, two letters',
    email: 'E-mail',
    phone: 'Phone',
    trade: 'What is sold, a line each',
    goods: 'How goods come, a line each',
    size: 'Products expected',
    currency: 'Currency',
    prices: 'Prices',
    weightUnit: 'Unit of weight',
    lengthUnit: 'Unit of length',
    shipsTo: 'Countries to which it ships, a line each',
    extras: 'Extras, a line each',
  },
  payment: {
    cashOn: 'Cash',
    cashName: 'What visitors read',
    transferOn: 'Transfer',
    transferName: 'What visitors read',
    pretendedOn: 'A payment that pays nothing, for looking around',
  },
}

/** What the shop is called, its front, the store, and how orders are paid. */
export function settings(office: Office, shop: Shop): void {
  const pictures = () => ['0', ...shop.uploads.map(({ id }) => String(id))]
  settingsForms(
    office,
    shop.settings,
    screens,
    {
      ...{ language: languages, timezone: zones, icon: pictures, logo: pictures, currency: currencies },
      ...{
        prices: ['include tax', 'before tax'],
        weightUnit: ['kg', 'g', 'lb', 'oz'],
        lengthUnit: ['m', 'cm', 'mm', 'in'],
      },
    },
    ['frontText'],
  )
}

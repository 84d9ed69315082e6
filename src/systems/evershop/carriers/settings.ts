import type { SettingFields } from '../../setting-steps.js'
import type { Carrier } from '../../step.js'
import type { Resolved } from '../../later.js'
import { carried, type EverShopSession } from '../session.js'

/** Settings of all sides of the shop: one request takes them all, and leaves every other as it stands. */
export const settings: Carrier<SettingFields, EverShopSession> = {
  name: 'settings',
  side: 'dashboard',
  atOnce: Infinity,
  async carry(loads, session) {
    const fields = Object.assign({}, ...loads) as Resolved<SettingFields>
    const sent = await session.write('POST', 'api/settings', { json: wired(fields) })
    session.shelf.forget('shop', 'robots')
    return loads.map(() => carried(sent))
  },
}

const LISTS = ['allowedCountries']
const BOOLEANS = ['priceIncludingTax']

/** Lists, numbers and yes or no travel as what they are. */
const wired = (fields: Readonly<Record<string, string | number>>): Record<string, unknown> =>
  Object.fromEntries<unknown>(
    Object.entries(fields).map(([name, value]): [string, unknown] => {
      if (LISTS.includes(name))
        return [
          name,
          String(value)
            .split(' ')
            .filter((one) => one !== ''),
        ]
      if (BOOLEANS.includes(name)) return [name, value === 'true']
      return [name, name === 'codPaymentStatus' ? Number(value) : value]
    }),
  )

import { z } from 'zod'
import type { ShippingItem } from '../../../core/areas/shipping.js'
import type { IdOf } from '../../later.js'
import type { Carrier } from '../../step.js'
import { carried, type EverShopSession, type Sent } from '../session.js'
import { shopOf, type Shop } from '../shop.js'

const made = z.object({ data: z.object({ uuid: z.string() }) })

/** A way of shipping, without what it costs. */
export const methods: Carrier<{ name: string } | { id: IdOf; remove: true }, EverShopSession> = {
  name: 'ways of shipping',
  side: 'dashboard',
  atOnce: 1,
  async carry([load], session) {
    if (!load) return []
    session.shelf.forget('shop')
    const place = 'api/shippingProviders/core/methods'
    if ('remove' in load) return [carried(await session.write('DELETE', `${place}/${load.id}`))]
    const sent = await session.write('POST', place, { json: { name: load.name, is_enabled: true } })
    return [sent.refused === undefined ? { id: made.parse(sent.data).data.uuid } : sent]
  },
}

export interface CostFields {
  id: IdOf
  countries: readonly string[]
  price?: string
  byWeight?: ShippingItem['byWeight']
  freeFrom?: string
}

/** Where a way of shipping goes, and what it costs there: a rate a country. */
export const costs: Carrier<CostFields, EverShopSession> = {
  name: 'costs of shipping',
  side: 'dashboard',
  atOnce: 1,
  async carry([load], session) {
    if (!load) return []
    const id = String(load.id)
    try {
      const shop = await shopOf(session)
      const own = shop.coreShippingMethods.find(({ uuid }) => uuid === id)
      const rates = (own?.rates ?? []).map((rate) => ({ ...rate, countries: countriesOf(shop, rate.zone?.uuid) }))
      for (const { uuid } of rates.filter(({ countries }) => !countries.some((one) => load.countries.includes(one))))
        taken(await session.write('DELETE', `api/shippingProviders/core/rates/${uuid}`))
      const json = costOf(load)
      for (const country of load.countries) {
        const rate = rates.find(({ countries }) => countries.includes(country))
        if (rate) taken(await session.write('PATCH', `api/shippingProviders/core/rates/${rate.uuid}`, { json }))
        else {
          const zone = await zoneOf(session, shop, country)
          const whole = { ...json, method_id: id, zone_id: zone }
          taken(await session.write('POST', 'api/shippingProviders/core/rates', { json: whole }))
        }
      }
      return [{ id }]
    } catch (error) {
      if (error instanceof NotTaken) return [{ refused: error.message }]
      throw error
    } finally {
      session.shelf.forget('shop')
    }
  },
}

class NotTaken extends Error {}
function taken(sent: Sent): unknown {
  if (sent.refused !== undefined) throw new NotTaken(sent.refused)
  return sent.data
}

export const countriesOf = ({ shippingZones }: Shop, uuid: string | undefined): string[] =>
  shippingZones.find((zone) => zone.uuid === uuid)?.countries.map(({ code }) => code) ?? []

/** The zone that is this country; made where there is none. */
async function zoneOf(session: EverShopSession, { shippingZones }: Shop, country: string): Promise<string> {
  const own = shippingZones.find(({ countries }) => countries.length === 1 && countries[0]?.code === country)
  if (own) return own.uuid
  const zone = { name: country, countries: [country], provinces: [] }
  const { uuid } = made.parse(taken(await session.write('POST', 'api/shippingZones', { json: zone }))).data
  shippingZones.push({ uuid, name: country, countries: [{ code: country }] })
  return uuid
}

const costOf = ({ price = '0', byWeight, freeFrom }: Pick<CostFields, 'price' | 'byWeight' | 'freeFrom'>) => ({
  is_enabled: true,
  condition_type: null,
  cost: byWeight?.length || freeFrom ? null : price,
  price_based_cost: freeFrom
    ? [
        { min_price: '0', cost: price },
        { min_price: freeFrom, cost: '0' },
      ]
    : null,
  weight_based_cost: byWeight?.length ? byWeight.map((one) => ({ min_weight: one.from, cost: one.price })) : null,
})
